<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** The head of the journal is marked by its key. */
final class Version20261129093000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The mark of the journal key on its head';
    }

    public function up(Schema $schema): void
    {
        $schema->getTable('journal_head')->addColumn('mark', 'string', ['length' => 64, 'default' => '']);
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
