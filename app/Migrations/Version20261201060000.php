<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** A calendar may be of the days that are planned for a person. */
final class Version20261201060000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Calendars of a person';
    }

    public function up(Schema $schema): void
    {
        $schema->getTable('calendar_address')->addColumn('of_person', 'string', ['length' => 80, 'notnull' => false]);
    }

    public function down(Schema $schema): void
    {
        $schema->getTable('calendar_address')->dropColumn('of_person');
    }
}
