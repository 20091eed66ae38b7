<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** The journal binds rows of evidence: each entry says what those that it wrote are. */
final class Version20261129090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Rows of evidence are bound by the journal';
    }

    public function up(Schema $schema): void
    {
        $schema->getTable('journal_entry')->addColumn('binds', 'string', ['length' => 80, 'default' => '']);
        $bound = $schema->createTable('evidence_bound');
        $bound->addColumn('id', 'integer', ['autoincrement' => true]);
        $bound->addColumn('sequence', 'integer');
        $bound->addColumn('table_name', 'string', ['length' => 60]);
        $bound->addColumn('row_key', 'string', ['length' => 200]);
        $bound->addColumn('digest', 'string', ['length' => 64]);
        $bound->setPrimaryKey(['id']);
        $bound->addIndex(['table_name', 'row_key'], 'evidence_bound_row');
        $bound->addIndex(['sequence'], 'evidence_bound_entry');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
