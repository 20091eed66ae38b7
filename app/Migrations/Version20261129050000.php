<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Sources that a steward held against their text. */
final class Version20261129050000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Sources that were confirmed';
    }

    public function up(Schema $schema): void
    {
        $confirmed = $schema->createTable('confirmed_source');
        $confirmed->addColumn('id', 'integer', ['autoincrement' => true]);
        $confirmed->addColumn('source', 'string', ['length' => 300]);
        $confirmed->addColumn('edition', 'string', ['length' => 120]);
        $confirmed->addColumn('clause', 'string', ['length' => 120]);
        $confirmed->addColumn('confirmed_on', 'string', ['length' => 10]);
        $confirmed->addColumn('recorded_by', 'string', ['length' => 40]);
        $confirmed->addColumn('recorded_at', 'datetime_immutable');
        $confirmed->setPrimaryKey(['id']);
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
