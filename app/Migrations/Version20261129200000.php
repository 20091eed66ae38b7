<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Photos and documents. */
final class Version20261129200000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Photos and documents';
    }

    public function up(Schema $schema): void
    {
        $file = $schema->createTable('kept_file');
        $file->addColumn('id', 'string', ['length' => 40]);
        $file->addColumn('of_kind', 'string', ['length' => 20]);
        $file->addColumn('of_id', 'string', ['length' => 60]);
        $file->addColumn('record', 'json');
        $file->addColumn('sha256', 'string', ['length' => 64]);
        $file->addColumn('size', 'integer');
        $file->addColumn('bytes', 'blob');
        $file->addColumn('recorded_by', 'string', ['length' => 40]);
        $file->addColumn('recorded_at', 'datetime_immutable');
        $file->setPrimaryKey(['id']);
        $file->addIndex(['of_kind', 'of_id'], 'kept_file_of');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
