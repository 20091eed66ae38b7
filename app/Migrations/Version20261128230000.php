<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;

/** What is known of a run stands in a table of its own, with versions; the evidence of runs is only ever inserted. */
final class Version20261128230000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'States of runs and units, marks of checks, versions, requests that were carried out';
    }

    public function up(Schema $schema): void
    {
        $state = $schema->createTable('run_state');
        $state->addColumn('run_id', 'string', ['length' => 40]);
        $state->addColumn('instrument_id', 'string', ['length' => 40]);
        $state->addColumn('campaign_id', 'string', ['length' => 40]);
        $state->addColumn('started_at', 'string', ['length' => 26]);
        $state->addColumn('stopped_at', 'string', ['length' => 26, 'notnull' => false]);
        $state->addColumn('shift_key', 'string', ['length' => 40, 'default' => '']);
        $state->addColumn('medium', 'string', ['length' => 60, 'notnull' => false]);
        $state->addColumn('settled_until', 'string', ['length' => 26, 'default' => '~']);
        $state->addColumn('version', 'integer', ['default' => 0]);
        $state->setPrimaryKey(['run_id']);
        $state->addIndex(['instrument_id', 'settled_until'], 'run_state_settled');
        $state->addIndex(['instrument_id', 'started_at'], 'run_state_started');
        $state->addIndex(['instrument_id', 'stopped_at'], 'run_state_stopped');
        $state->addIndex(['shift_key', 'started_at'], 'run_state_shift');
        $state->addIndex(['medium'], 'run_state_medium');
        $state->addIndex(['version'], 'run_state_version');
        $state->addForeignKeyConstraint('run', ['run_id'], ['id'], [], 'state_of_run');

        $unit = $schema->createTable('instrument_state');
        $unit->addColumn('instrument_id', 'string', ['length' => 40]);
        $unit->addColumn('version', 'integer');
        $unit->setPrimaryKey(['instrument_id']);

        $mark = $schema->createTable('check_mark');
        $mark->addColumn('check_id', 'string', ['length' => 40]);
        $mark->addColumn('kind', 'string', ['length' => 100]);
        $mark->addColumn('instrument_id', 'string', ['length' => 40]);
        $mark->addColumn('marked_at', 'string', ['length' => 26]);
        $mark->addColumn('tally', 'json');
        $mark->setPrimaryKey(['check_id', 'kind']);
        $mark->addIndex(['instrument_id', 'kind', 'marked_at'], 'check_mark_at');
        $mark->addIndex(['instrument_id', 'marked_at'], 'check_mark_since');

        $line = $schema->createTable('unit_line');
        $line->addColumn('instrument_id', 'string', ['length' => 40]);
        $line->addColumn('version', 'integer');
        $line->addColumn('body', 'json');
        $line->setPrimaryKey(['instrument_id']);

        $number = $schema->createTable('number_given');
        $number->addColumn('prefix', 'string', ['length' => 20]);
        $number->addColumn('last', 'integer');
        $number->setPrimaryKey(['prefix']);

        $made = $schema->createTable('request_made');
        $made->addColumn('id', 'string', ['length' => 64]);
        $made->addColumn('kind', 'string', ['length' => 60]);
        $made->addColumn('actor', 'string', ['length' => 40]);
        $made->addColumn('made', 'text');
        $made->addColumn('sequence', 'integer');
        $made->setPrimaryKey(['id', 'kind']);

        $worked = $schema->getTable('worked_run');
        $worked->addColumn('run_version', 'integer', ['default' => -1]);
        $worked->addColumn('campaign_version', 'integer', ['default' => -1]);
        $schema->getTable('campaign')->addColumn('version', 'integer', ['default' => 0]);
    }

    public function postUp(Schema $schema): void
    {
        $text = static fn (string $stored): string => Moments::text(Moments::of($stored));
        $runs = $this->connection->fetchAllAssociative(
            'SELECT id, instrument_id, campaign_id, started_at, stopped_at, shift_key, medium FROM run',
        );
        foreach ($runs as $row) {
            $this->connection->insert('run_state', [
                'run_id' => Cells::text($row, 'id'),
                'instrument_id' => Cells::text($row, 'instrument_id'),
                'campaign_id' => Cells::text($row, 'campaign_id'),
                'started_at' => $text(Cells::text($row, 'started_at')),
                'stopped_at' => $row['stopped_at'] === null ? null : $text(Cells::text($row, 'stopped_at')),
                'shift_key' => Cells::text($row, 'shift_key'),
                'medium' => $row['medium'],
            ]);
        }
        foreach ([
            'DROP INDEX run_shift', 'DROP INDEX run_medium', 'ALTER TABLE run DROP COLUMN stopped_at',
            'ALTER TABLE run DROP COLUMN shift_key', 'ALTER TABLE run DROP COLUMN medium',
            // A reference is looked up by the units that lean on it, and since when.
            "ALTER TABLE check_leaning ADD COLUMN instrument_id VARCHAR(40) DEFAULT '' NOT NULL",
            "ALTER TABLE check_leaning ADD COLUMN checked_at VARCHAR(26) DEFAULT '' NOT NULL",
            'DROP INDEX check_leaning_reference',
            'CREATE INDEX check_leaning_reference ON check_leaning (reference_id, instrument_id, checked_at)',
        ] as $sql) {
            $this->connection->executeStatement($sql);
        }
        $leaning = $this->connection->fetchAllAssociative(
            'SELECT DISTINCT c.id, c.instrument_id, c.checked_at FROM check_leaning l JOIN check_record c ON c.id = l.check_id',
        );
        foreach ($leaning as $row) {
            $this->connection->executeStatement(
                'UPDATE check_leaning SET instrument_id = ?, checked_at = ? WHERE check_id = ?',
                [Cells::text($row, 'instrument_id'), $text(Cells::text($row, 'checked_at')), Cells::text($row, 'id')],
            );
        }
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
