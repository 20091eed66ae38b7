<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** The ledger names its columns: what was worked out is worked out again when asked for. */
final class Version20261128180000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Ledger lines that name their columns';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('DELETE FROM worked_run');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
