<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Intervals that a site has set for one unit or one reference. */
final class Version20261129080000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Intervals of units and references of their own';
    }

    public function up(Schema $schema): void
    {
        $interval = $schema->createTable('own_interval');
        $interval->addColumn('id', 'integer', ['autoincrement' => true]);
        $interval->addColumn('instrument_id', 'string', ['length' => 40, 'notnull' => false]);
        $interval->addColumn('reference_id', 'string', ['length' => 40, 'notnull' => false]);
        $interval->addColumn('record', 'json');
        $interval->addColumn('recorded_by', 'string', ['length' => 40]);
        $interval->addColumn('recorded_at', 'datetime_immutable');
        $interval->setPrimaryKey(['id']);
        $interval->addIndex(['instrument_id'], 'own_interval_instrument');
        $interval->addIndex(['reference_id'], 'own_interval_reference');
        $interval->addForeignKeyConstraint('instrument', ['instrument_id'], ['id'], [], 'own_interval_of_instrument');
        $interval->addForeignKeyConstraint('reference', ['reference_id'], ['id'], [], 'own_interval_of_reference');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
