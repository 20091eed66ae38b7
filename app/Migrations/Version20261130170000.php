<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Units that were found wrong themselves. */
final class Version20261130170000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Recalls of units';
    }

    public function up(Schema $schema): void
    {
        $recall = $schema->createTable('unit_recall');
        $recall->addColumn('id', 'integer', ['autoincrement' => true]);
        $recall->addColumn('instrument_id', 'string', ['length' => 40]);
        $recall->addColumn('record', 'json');
        $recall->addColumn('recorded_by', 'string', ['length' => 40]);
        $recall->addColumn('recorded_at', 'datetime_immutable');
        $recall->setPrimaryKey(['id']);
        $recall->addIndex(['instrument_id'], 'unit_recall_instrument');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
