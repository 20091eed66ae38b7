<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Who typed each answer of a half-done check. */
final class Version20261129010000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Who typed each answer of a half-done check';
    }

    public function up(Schema $schema): void
    {
        $schema->getTable('check_draft')->addColumn('typed', 'json', ['default' => '{}']);
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
