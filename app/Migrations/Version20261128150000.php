<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Footnote\App\Storage\Cells;
use Footnote\Core\Log\LogFile;

/** Logs know the lines before their data, so that a foreign serial number in them is seen. */
final class Version20261128150000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The head of a log beside it';
    }

    public function up(Schema $schema): void
    {
        $t = $schema->getTable('log_file');
        $t->addColumn('head', 'text', ['default' => '']);
        $t->addIndex(['sha256'], 'log_file_sha256');
    }

    public function postUp(Schema $schema): void
    {
        foreach ($this->connection->fetchFirstColumn('SELECT id FROM log_file') as $id) {
            $row = $this->connection->fetchAssociative('SELECT name, original, format FROM log_file WHERE id = ?', [$id]);
            $skip = $row === false ? 0 : Cells::json($row, 'format')['skip'] ?? 0;
            if ($row === false || !is_int($skip) || $skip < 1) {
                continue;
            }
            $head = LogFile::ofText(Cells::text($row, 'name'), Cells::blob($row['original']))->origin($skip)->head;
            $this->connection->executeStatement('UPDATE log_file SET head = ? WHERE id = ?', [$head, $id]);
        }
        // Whose a log is was not asked before: what was worked out is worked out again when asked for.
        $this->connection->executeStatement('DELETE FROM worked_run');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Evidence is never deleted.');
    }
}
