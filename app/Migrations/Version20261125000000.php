<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\DBAL\Schema\Table;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Air sampling: libraries, laboratory reports, blanks, media, shifts, and every reference that a check leans on.';
    }

    public function up(Schema $schema): void
    {
        $recorded = static function (Table $t): void {
            $t->addColumn('record', 'json');
            $t->addColumn('recorded_by', 'string', ['length' => 40]);
            $t->addColumn('recorded_at', 'datetime_immutable');
        };

        $t = $schema->createTable('library_entry');
        $t->addColumn('shelf', 'string', ['length' => 40]);
        $t->addColumn('code', 'string', ['length' => 40]);
        $recorded($t);
        $t->setPrimaryKey(['shelf', 'code']);

        $t = $schema->createTable('laboratory_report');
        $t->addColumn('id', 'string', ['length' => 40]);
        $t->addColumn('laboratory', 'string', ['length' => 200]);
        $recorded($t);
        $t->addColumn('mapping', 'json', ['notnull' => false]);
        $t->addColumn('file_name', 'string', ['length' => 200]);
        $t->addColumn('sha256', 'string', ['length' => 64]);
        $t->addColumn('original', 'blob', ['notnull' => false]);
        $t->setPrimaryKey(['id']);
        $t->addIndex(['laboratory', 'recorded_at'], 'laboratory_report_laboratory');

        $t = $schema->createTable('laboratory_row');
        $t->addColumn('id', 'integer', ['autoincrement' => true]);
        $t->addColumn('report_id', 'string', ['length' => 40]);
        $t->addColumn('medium', 'string', ['length' => 60]);
        $t->addColumn('analyte', 'string', ['length' => 60]);
        $t->addColumn('record', 'json');
        $t->setPrimaryKey(['id']);
        $t->addIndex(['medium', 'analyte'], 'laboratory_row_medium');
        $t->addIndex(['report_id'], 'laboratory_row_report');
        $t->addForeignKeyConstraint('laboratory_report', ['report_id'], ['id'], [], 'row_of_report');

        $t = $schema->createTable('laboratory_word');
        $t->addColumn('id', 'integer', ['autoincrement' => true]);
        $t->addColumn('report_id', 'string', ['length' => 40]);
        $t->addColumn('reason', 'text');
        $recorded($t);
        $t->setPrimaryKey(['id']);
        $t->addIndex(['report_id', 'id'], 'laboratory_word_report');
        $t->addForeignKeyConstraint('laboratory_report', ['report_id'], ['id'], [], 'word_of_report');

        $t = $schema->createTable('blank');
        $t->addColumn('medium', 'string', ['length' => 60]);
        $t->addColumn('campaign_id', 'string', ['length' => 40]);
        $recorded($t);
        $t->setPrimaryKey(['medium']);
        $t->addIndex(['campaign_id'], 'blank_campaign');
        $t->addForeignKeyConstraint('campaign', ['campaign_id'], ['id'], [], 'blank_of_campaign');

        $t = $schema->createTable('check_leaning');
        $t->addColumn('check_id', 'string', ['length' => 40]);
        $t->addColumn('reference_id', 'string', ['length' => 40]);
        $t->setPrimaryKey(['check_id', 'reference_id']);
        $t->addIndex(['reference_id'], 'check_leaning_reference');
        $t->addForeignKeyConstraint('check_record', ['check_id'], ['id'], [], 'leaning_of_check');
        $t->addForeignKeyConstraint('reference', ['reference_id'], ['id'], [], 'leaning_on_reference');

        $t = $schema->getTable('run');
        $t->addColumn('shift_key', 'string', ['length' => 40, 'default' => '']);
        $t->addColumn('medium', 'string', ['length' => 60, 'notnull' => false]);
        $t->addIndex(['shift_key'], 'run_shift');
        $t->addIndex(['medium'], 'run_medium');
    }

    public function postUp(Schema $schema): void
    {
        $this->connection->executeStatement(
            'INSERT INTO check_leaning (check_id, reference_id) SELECT id, reference_id FROM check_record WHERE reference_id IS NOT NULL',
        );
        // How assessments are written has changed: they are worked out again when asked for.
        $this->connection->executeStatement('DELETE FROM worked_run');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
