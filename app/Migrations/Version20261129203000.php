<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Timers of units. */
final class Version20261129203000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Timers of units';
    }

    public function up(Schema $schema): void
    {
        $timer = $schema->createTable('unit_timer');
        $timer->addColumn('id', 'string', ['length' => 40]);
        $timer->addColumn('instrument_id', 'string', ['length' => 40]);
        $timer->addColumn('what', 'string', ['length' => 20]);
        $timer->addColumn('seconds', 'integer');
        $timer->addColumn('started_by', 'string', ['length' => 40]);
        $timer->addColumn('started_at', 'datetime_immutable');
        $timer->addColumn('ended_at', 'datetime_immutable', ['notnull' => false]);
        $timer->setPrimaryKey(['id']);
        $timer->addIndex(['ended_at', 'instrument_id'], 'unit_timer_running');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
