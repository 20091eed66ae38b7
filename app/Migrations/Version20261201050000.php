<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Words on things of the kit: where each is, whose, what belongs to it. */
final class Version20261201050000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Where things of the kit are';
    }

    public function up(Schema $schema): void
    {
        $word = $schema->createTable('kit_word');
        $word->addColumn('id', 'integer', ['autoincrement' => true]);
        $word->addColumn('owner', 'string', ['length' => 20]);
        $word->addColumn('of_id', 'string', ['length' => 40]);
        $word->addColumn('record', 'json');
        $word->addColumn('recorded_by', 'string', ['length' => 40]);
        $word->addColumn('recorded_at', 'datetime_immutable');
        $word->setPrimaryKey(['id']);
        $word->addIndex(['owner', 'of_id'], 'kit_word_of');
    }

    public function down(Schema $schema): void
    {
        $schema->dropTable('kit_word');
    }
}
