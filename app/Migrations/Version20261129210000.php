<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Units and references out of use. */
final class Version20261129210000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Units and references out of use';
    }

    public function up(Schema $schema): void
    {
        $retirement = $schema->createTable('retirement');
        $retirement->addColumn('id', 'integer', ['autoincrement' => true]);
        $retirement->addColumn('instrument_id', 'string', ['length' => 40, 'notnull' => false]);
        $retirement->addColumn('reference_id', 'string', ['length' => 40, 'notnull' => false]);
        $retirement->addColumn('record', 'json');
        $retirement->addColumn('recorded_by', 'string', ['length' => 40]);
        $retirement->addColumn('recorded_at', 'datetime_immutable');
        $retirement->setPrimaryKey(['id']);
        $retirement->addIndex(['instrument_id'], 'retirement_instrument');
        $retirement->addIndex(['reference_id'], 'retirement_reference');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
