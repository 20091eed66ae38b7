<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\DBAL\Schema\Table;
use Doctrine\Migrations\AbstractMigration;
use Footnote\App\Journal\Journal;

final class Version20261124000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The first logbook: people, journal, kit, checks, runs, logs, campaigns, policies, decisions.';
    }

    public function up(Schema $schema): void
    {
        $table = static function (string $name) use ($schema): Table {
            return $schema->createTable($name);
        };
        $recorded = static function (Table $t): void {
            $t->addColumn('record', 'json');
            $t->addColumn('recorded_by', 'string', ['length' => 40]);
            $t->addColumn('recorded_at', 'datetime_immutable');
        };
        $id = static function (Table $t): void {
            $t->addColumn('id', 'string', ['length' => 40]);
            $t->setPrimaryKey(['id']);
        };
        $auto = static function (Table $t): void {
            $t->addColumn('id', 'integer', ['autoincrement' => true]);
            $t->setPrimaryKey(['id']);
        };

        $t = $table('person');
        $t->addColumn('name', 'string', ['length' => 40]);
        $t->addColumn('role', 'string', ['length' => 20]);
        $t->addColumn('code', 'string', ['length' => 20]);
        $t->addColumn('password', 'string', ['length' => 255]);
        $t->setPrimaryKey(['name']);

        $t = $table('sign_in_attempt');
        $auto($t);
        $t->addColumn('attempt_key', 'string', ['length' => 64]);
        $t->addColumn('tried_at', 'integer');
        $t->addIndex(['attempt_key', 'tried_at'], 'sign_in_attempt_key');

        $t = $table('journal_entry');
        $t->addColumn('sequence', 'integer');
        $t->addColumn('at', 'string', ['length' => 40]);
        $t->addColumn('actor', 'string', ['length' => 40]);
        $t->addColumn('kind', 'string', ['length' => 60]);
        $t->addColumn('payload', 'text');
        $t->addColumn('previous', 'string', ['length' => 64]);
        $t->addColumn('hash', 'string', ['length' => 64]);
        $t->setPrimaryKey(['sequence']);

        $t = $table('journal_head');
        $t->addColumn('id', 'integer');
        $t->addColumn('sequence', 'integer');
        $t->addColumn('hash', 'string', ['length' => 64]);
        $t->setPrimaryKey(['id']);

        $t = $table('instrument');
        $id($t);
        $t->addColumn('family', 'string', ['length' => 40]);
        $recorded($t);

        $t = $table('reference');
        $id($t);
        $t->addColumn('kind', 'string', ['length' => 40]);
        $recorded($t);

        $t = $table('certificate');
        $auto($t);
        $t->addColumn('instrument_id', 'string', ['length' => 40, 'notnull' => false]);
        $t->addColumn('reference_id', 'string', ['length' => 40, 'notnull' => false]);
        $recorded($t);
        $t->addIndex(['instrument_id'], 'certificate_instrument');
        $t->addIndex(['reference_id'], 'certificate_reference');
        $t->addForeignKeyConstraint('instrument', ['instrument_id'], ['id'], [], 'certificate_of_instrument');
        $t->addForeignKeyConstraint('reference', ['reference_id'], ['id'], [], 'certificate_of_reference');

        $t = $table('recall');
        $auto($t);
        $t->addColumn('reference_id', 'string', ['length' => 40]);
        $recorded($t);
        $t->addIndex(['reference_id'], 'recall_reference');
        $t->addForeignKeyConstraint('reference', ['reference_id'], ['id'], [], 'recall_of_reference');

        $t = $table('check_record');
        $id($t);
        $t->addColumn('instrument_id', 'string', ['length' => 40]);
        $t->addColumn('reference_id', 'string', ['length' => 40, 'notnull' => false]);
        $t->addColumn('checked_at', 'datetime_immutable');
        $recorded($t);
        $t->addIndex(['instrument_id', 'checked_at'], 'check_record_instrument');
        $t->addIndex(['reference_id', 'checked_at'], 'check_record_reference');
        $t->addIndex(['checked_at'], 'check_record_at');
        $t->addForeignKeyConstraint('instrument', ['instrument_id'], ['id'], [], 'check_of_instrument');
        $t->addForeignKeyConstraint('reference', ['reference_id'], ['id'], [], 'check_on_reference');

        $t = $table('check_set_aside');
        $t->addColumn('check_id', 'string', ['length' => 40]);
        $t->setPrimaryKey(['check_id']);
        $recorded($t);
        $t->addForeignKeyConstraint('check_record', ['check_id'], ['id'], [], 'set_aside_of_check');

        $t = $table('intervention');
        $id($t);
        $t->addColumn('instrument_id', 'string', ['length' => 40]);
        $t->addColumn('happened_at', 'datetime_immutable');
        $recorded($t);
        $t->addIndex(['instrument_id', 'happened_at'], 'intervention_instrument');
        $t->addForeignKeyConstraint('instrument', ['instrument_id'], ['id'], [], 'intervention_of_instrument');

        $t = $table('check_draft');
        $id($t);
        $t->addColumn('instrument_id', 'string', ['length' => 40]);
        $t->addColumn('started_by', 'string', ['length' => 40]);
        $t->addColumn('started_at', 'datetime_immutable');
        $t->addColumn('answers', 'json');
        $t->addColumn('version', 'integer', ['default' => 1]);
        $t->addColumn('closed_at', 'datetime_immutable', ['notnull' => false]);
        $t->addIndex(['instrument_id', 'closed_at'], 'check_draft_instrument');
        $t->addForeignKeyConstraint('instrument', ['instrument_id'], ['id'], [], 'draft_of_instrument');

        $t = $table('policy_version');
        $t->addColumn('policy_key', 'string', ['length' => 60]);
        $t->addColumn('policy_id', 'string', ['length' => 40]);
        $t->addColumn('version', 'integer');
        $t->addColumn('data', 'json');
        $t->addColumn('recorded_by', 'string', ['length' => 40]);
        $t->addColumn('recorded_at', 'datetime_immutable');
        $t->setPrimaryKey(['policy_key']);

        $t = $table('campaign');
        $id($t);
        $t->addColumn('title', 'string', ['length' => 200]);
        $t->addColumn('site', 'string', ['length' => 200]);
        $t->addColumn('zone', 'string', ['length' => 60]);
        $t->addColumn('yardsticks', 'json');
        $t->addColumn('policy_key', 'string', ['length' => 60]);
        $t->addColumn('policy_changed', 'boolean');
        $t->addForeignKeyConstraint('policy_version', ['policy_key'], ['policy_key'], [], 'campaign_under_policy');

        $t = $table('run');
        $id($t);
        $t->addColumn('instrument_id', 'string', ['length' => 40]);
        $t->addColumn('campaign_id', 'string', ['length' => 40]);
        $t->addColumn('started_at', 'datetime_immutable');
        $t->addColumn('stopped_at', 'datetime_immutable', ['notnull' => false]);
        $recorded($t);
        $t->addIndex(['instrument_id', 'started_at'], 'run_instrument');
        $t->addIndex(['campaign_id', 'started_at', 'id'], 'run_campaign');
        $t->addIndex(['started_at', 'id'], 'run_started');
        $t->addForeignKeyConstraint('instrument', ['instrument_id'], ['id'], [], 'run_of_instrument');
        $t->addForeignKeyConstraint('campaign', ['campaign_id'], ['id'], [], 'run_of_campaign');

        $t = $table('run_fact');
        $auto($t);
        $t->addColumn('run_id', 'string', ['length' => 40]);
        $t->addColumn('reason', 'text');
        $recorded($t);
        $t->addIndex(['run_id', 'id'], 'run_fact_run');
        $t->addForeignKeyConstraint('run', ['run_id'], ['id'], [], 'fact_of_run');

        $t = $table('log_file');
        $id($t);
        $t->addColumn('run_id', 'string', ['length' => 40]);
        $t->addColumn('name', 'string', ['length' => 200]);
        $t->addColumn('sha256', 'string', ['length' => 64]);
        $t->addColumn('size', 'integer');
        $t->addColumn('original', 'blob');
        $t->addColumn('format', 'json');
        $t->addColumn('first_interval', 'string', ['length' => 40]);
        $t->addColumn('step_seconds', 'float');
        $t->addColumn('length', 'integer');
        $t->addColumn('recorded_by', 'string', ['length' => 40]);
        $t->addColumn('recorded_at', 'datetime_immutable');
        $t->addIndex(['run_id'], 'log_file_run');
        $t->addForeignKeyConstraint('run', ['run_id'], ['id'], [], 'log_of_run');

        $t = $table('log_channel');
        $t->addColumn('log_id', 'string', ['length' => 40]);
        $t->addColumn('place', 'integer');
        $t->addColumn('packed', 'blob');
        $t->setPrimaryKey(['log_id', 'place']);
        $t->addForeignKeyConstraint('log_file', ['log_id'], ['id'], [], 'channel_of_log');

        $t = $table('worked_run');
        $t->addColumn('run_id', 'string', ['length' => 40]);
        $t->addColumn('policy_key', 'string', ['length' => 60]);
        $t->addColumn('verdict', 'string', ['length' => 20]);
        $t->addColumn('digest', 'string', ['length' => 64]);
        $t->addColumn('summary', 'json');
        $t->addColumn('school', 'json');
        $t->addColumn('body', 'blob');
        $t->setPrimaryKey(['run_id', 'policy_key']);
        $t->addIndex(['policy_key', 'verdict'], 'worked_run_verdict');
        $t->addForeignKeyConstraint('run', ['run_id'], ['id'], [], 'worked_of_run');

        $t = $table('decision');
        $auto($t);
        $t->addColumn('run_id', 'string', ['length' => 40]);
        $t->addColumn('kind', 'string', ['length' => 20]);
        $t->addColumn('verdict', 'string', ['length' => 20]);
        $t->addColumn('proposed', 'string', ['length' => 20]);
        $t->addColumn('reason', 'text');
        $t->addColumn('policy_key', 'string', ['length' => 60]);
        $t->addColumn('digest', 'string', ['length' => 64]);
        $t->addColumn('snapshot', 'blob');
        $t->addColumn('snapshot_digest', 'string', ['length' => 64]);
        $t->addColumn('recorded_by', 'string', ['length' => 40]);
        $t->addColumn('recorded_at', 'datetime_immutable');
        $t->addIndex(['run_id', 'id'], 'decision_run');
        $t->addForeignKeyConstraint('run', ['run_id'], ['id'], [], 'decision_of_run');
    }

    public function postUp(Schema $schema): void
    {
        $this->connection->insert('journal_head', ['id' => 1, 'sequence' => 0, 'hash' => Journal::ROOT]);
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
