<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\DBAL\Schema\Table;
use Doctrine\Migrations\AbstractMigration;

/** Who typed each answer of a half-done check; lines of units by list; the release that worked out what is kept. */
final class Version20261129010000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Who typed each answer; lines of units by list; the release that is followed';
    }

    public function up(Schema $schema): void
    {
        $schema->getTable('check_draft')->addColumn('typed', 'json', ['default' => '{}']);

        // Lines of units are worked out again: they are no evidence.
        $schema->dropTable('unit_line');
        $followed = $schema->createTable('release_followed');
        $followed->addColumn('id', 'integer');
        $followed->addColumn('digest', 'string', ['length' => 64]);
        $followed->setPrimaryKey(['id']);
    }

    public function postUp(Schema $schema): void
    {
        $line = new Table('unit_line');
        $line->addColumn('instrument_id', 'string', ['length' => 40]);
        $line->addColumn('list', 'string', ['length' => 120]);
        $line->addColumn('version', 'integer');
        $line->addColumn('body', 'json');
        $line->setPrimaryKey(['instrument_id', 'list']);
        $this->connection->createSchemaManager()->createTable($line);
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
