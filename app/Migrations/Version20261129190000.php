<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Rounds: a row of units checked one after the other on one reference. */
final class Version20261129190000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Rounds of checks';
    }

    public function up(Schema $schema): void
    {
        $round = $schema->createTable('check_round');
        $round->addColumn('id', 'string', ['length' => 40]);
        $round->addColumn('procedure_id', 'string', ['length' => 40]);
        $round->addColumn('units', 'json');
        $round->addColumn('started_by', 'string', ['length' => 40]);
        $round->addColumn('started_at', 'datetime_immutable');
        $round->setPrimaryKey(['id']);
        $draft = $schema->getTable('check_draft');
        $draft->addColumn('round_id', 'string', ['length' => 40, 'notnull' => false]);
        $draft->addColumn('check_id', 'string', ['length' => 40, 'notnull' => false]);
        $draft->addIndex(['round_id'], 'check_draft_round');
        // What is open is asked for with every page.
        $draft->addIndex(['closed_at'], 'check_draft_open');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
