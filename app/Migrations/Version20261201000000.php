<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Addresses under which calendars ask for what falls due. */
final class Version20261201000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Addresses of calendars';
    }

    public function up(Schema $schema): void
    {
        $address = $schema->createTable('calendar_address');
        $address->addColumn('id', 'integer', ['autoincrement' => true]);
        $address->addColumn('person', 'string', ['length' => 40]);
        $address->addColumn('title', 'string', ['length' => 80]);
        $address->addColumn('digest', 'string', ['length' => 64]);
        $address->addColumn('done_by', 'string', ['length' => 20]);
        $address->addColumn('kit', 'json');
        $address->addColumn('made_at', 'datetime_immutable');
        $address->addColumn('ended_at', 'datetime_immutable', ['notnull' => false]);
        $address->setPrimaryKey(['id']);
        $address->addUniqueIndex(['digest'], 'calendar_address_digest');
    }

    public function down(Schema $schema): void
    {
        $schema->dropTable('calendar_address');
    }
}
