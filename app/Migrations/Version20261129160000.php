<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Checks that others stand in the place of; and runs as they were corrected: whose, where, for what. */
final class Version20261129160000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Corrected checks and runs';
    }

    public function up(Schema $schema): void
    {
        $replaced = $schema->createTable('check_replaced');
        $replaced->addColumn('check_id', 'string', ['length' => 40]);
        $replaced->addColumn('instrument_id', 'string', ['length' => 40]);
        $replaced->addColumn('by_check_id', 'string', ['length' => 40]);
        $replaced->addColumn('by_instrument_id', 'string', ['length' => 40]);
        $replaced->addColumn('recorded_by', 'string', ['length' => 40]);
        $replaced->addColumn('recorded_at', 'datetime_immutable');
        $replaced->setPrimaryKey(['check_id']);
        $replaced->addUniqueIndex(['by_check_id'], 'check_replaced_by');
        $replaced->addIndex(['instrument_id'], 'check_replaced_instrument');
        $replaced->addIndex(['by_instrument_id'], 'check_replaced_by_instrument');
        $replaced->addForeignKeyConstraint('check_record', ['check_id'], ['id'], [], 'check_replaced_old');
        $replaced->addForeignKeyConstraint('check_record', ['by_check_id'], ['id'], [], 'check_replaced_new');
        $state = $schema->getTable('run_state');
        foreach (['person', 'task', 'place'] as $name) {
            $state->addColumn($name, 'string', ['length' => 500, 'default' => '']);
        }
        $state->addIndex(['campaign_id', 'started_at', 'run_id'], 'run_state_campaign');
        $state->addIndex(['started_at', 'run_id'], 'run_state_begun');
    }

    public function postUp(Schema $schema): void
    {
        $of = 'FROM run r WHERE r.id = run_state.run_id';
        $said = static fn (string $name): string => "$name = COALESCE((SELECT r.record ->> '$name' $of), '')";
        $this->connection->executeStatement('UPDATE run_state SET '.implode(', ', array_map($said, ['person', 'task', 'place'])));
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
