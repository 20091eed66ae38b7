<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What was typed in wrongly of units and references. */
final class Version20261129223000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What was typed in wrongly of units and references';
    }

    public function up(Schema $schema): void
    {
        $correction = $schema->createTable('kit_correction');
        $correction->addColumn('id', 'integer', ['autoincrement' => true]);
        $correction->addColumn('instrument_id', 'string', ['length' => 40, 'notnull' => false]);
        $correction->addColumn('reference_id', 'string', ['length' => 40, 'notnull' => false]);
        $correction->addColumn('record', 'json');
        $correction->addColumn('recorded_by', 'string', ['length' => 40]);
        $correction->addColumn('recorded_at', 'datetime_immutable');
        $correction->setPrimaryKey(['id']);
        $correction->addIndex(['instrument_id'], 'kit_correction_instrument');
        $correction->addIndex(['reference_id'], 'kit_correction_reference');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
