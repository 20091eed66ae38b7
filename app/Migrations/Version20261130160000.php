<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Decisions that came with runs from another logbook. */
final class Version20261130160000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Decisions of other logbooks';
    }

    public function up(Schema $schema): void
    {
        $decision = $schema->createTable('decision_elsewhere');
        $decision->addColumn('id', 'integer', ['autoincrement' => true]);
        $decision->addColumn('run_id', 'string', ['length' => 40]);
        $decision->addColumn('record', 'json');
        $decision->addColumn('recorded_by', 'string', ['length' => 40]);
        $decision->addColumn('recorded_at', 'datetime_immutable');
        $decision->setPrimaryKey(['id']);
        $decision->addIndex(['run_id'], 'decision_elsewhere_run');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
