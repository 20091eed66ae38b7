<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Reports: what they are asked to be, what is said of them, their editions and how these were printed, and the texts of the house. */
final class Version20261130120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Reports';
    }

    public function up(Schema $schema): void
    {
        $report = $schema->createTable('client_report');
        $report->addColumn('id', 'string', ['length' => 40]);
        $report->addColumn('campaign_id', 'string', ['length' => 40]);
        $report->addColumn('record', 'json');
        $report->addColumn('recorded_by', 'string', ['length' => 40]);
        $report->addColumn('recorded_at', 'datetime_immutable');
        $report->setPrimaryKey(['id']);

        $word = $schema->createTable('report_word');
        $word->addColumn('id', 'integer', ['autoincrement' => true]);
        $word->addColumn('report_id', 'string', ['length' => 40]);
        $word->addColumn('kind', 'string', ['length' => 20]);
        $word->addColumn('record', 'json');
        $word->addColumn('recorded_by', 'string', ['length' => 40]);
        $word->addColumn('recorded_at', 'datetime_immutable');
        $word->setPrimaryKey(['id']);
        $word->addIndex(['report_id'], 'report_word_report');

        $edition = $schema->createTable('report_edition');
        $edition->addColumn('id', 'integer', ['autoincrement' => true]);
        $edition->addColumn('report_id', 'string', ['length' => 40]);
        $edition->addColumn('edition', 'integer');
        $edition->addColumn('address', 'string', ['length' => 40]);
        $edition->addColumn('record', 'json');
        $edition->addColumn('digest', 'string', ['length' => 64]);
        $edition->addColumn('content', 'blob');
        $edition->addColumn('recorded_by', 'string', ['length' => 40]);
        $edition->addColumn('recorded_at', 'datetime_immutable');
        $edition->setPrimaryKey(['id']);
        $edition->addUniqueIndex(['report_id', 'edition'], 'report_edition_of');
        $edition->addUniqueIndex(['address'], 'report_edition_address');

        $printed = $schema->createTable('printed_report');
        $printed->addColumn('id', 'integer', ['autoincrement' => true]);
        $printed->addColumn('edition_id', 'integer');
        $printed->addColumn('paper', 'string', ['length' => 10]);
        $printed->addColumn('pages', 'integer');
        $printed->addColumn('sha256', 'string', ['length' => 64]);
        $printed->addColumn('bytes', 'blob');
        $printed->addColumn('recorded_at', 'datetime_immutable');
        $printed->setPrimaryKey(['id']);
        $printed->addUniqueIndex(['edition_id', 'paper'], 'printed_report_of');

        $text = $schema->createTable('report_text');
        $text->addColumn('id', 'integer', ['autoincrement' => true]);
        $text->addColumn('name', 'string', ['length' => 20]);
        $text->addColumn('text', 'text');
        $text->addColumn('recorded_by', 'string', ['length' => 40]);
        $text->addColumn('recorded_at', 'datetime_immutable');
        $text->setPrimaryKey(['id']);
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
