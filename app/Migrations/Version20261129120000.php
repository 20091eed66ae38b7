<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What a person may do is said by words that follow each other; what a person signs in by is no evidence, and stands apart. */
final class Version20261129120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Words on access, and secrets apart from people';
    }

    public function up(Schema $schema): void
    {
        $word = $schema->createTable('access_word');
        $word->addColumn('id', 'integer', ['autoincrement' => true]);
        $word->addColumn('person', 'string', ['length' => 40]);
        $word->addColumn('roles', 'string', ['length' => 80]);
        $word->addColumn('reason', 'string', ['length' => 500]);
        $word->addColumn('recorded_by', 'string', ['length' => 40]);
        $word->addColumn('recorded_at', 'datetime_immutable');
        $word->setPrimaryKey(['id']);
        $word->addIndex(['person'], 'access_word_person');
        $word->addForeignKeyConstraint('person', ['person'], ['name'], [], 'access_word_of_person');
        $secret = $schema->createTable('person_secret');
        $secret->addColumn('person', 'string', ['length' => 40]);
        $secret->addColumn('password', 'string', ['length' => 255]);
        $secret->addColumn('code_digest', 'string', ['length' => 64]);
        $secret->addColumn('code_until', 'bigint');
        $secret->addColumn('sessions', 'integer');
        $secret->setPrimaryKey(['person']);
        $secret->addForeignKeyConstraint('person', ['person'], ['name'], [], 'person_secret_of_person');
    }

    public function postUp(Schema $schema): void
    {
        $this->connection->executeStatement(
            "INSERT INTO person_secret (person, password, code_digest, code_until, sessions) SELECT name, password, '', 0, 1 FROM person",
        );
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
