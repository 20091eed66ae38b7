<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261128000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What of a log file is not in its log; runs of one person found by person; decisions and worked runs by what they say.';
    }

    public function up(Schema $schema): void
    {
        $schema->getTable('log_file')->addColumn('remarks', 'json', ['default' => '[]']);
        // Worked runs can be made again at any time, and are, by the rules of this release.
        $schema->getTable('worked_run')->addColumn('said', 'string', ['length' => 64, 'default' => '']);
        $this->addSql('DELETE FROM worked_run');
        foreach ($this->connection->fetchAllAssociative('SELECT id, campaign_id, record FROM run') as $row) {
            $record = json_decode(\is_string($row['record']) ? $row['record'] : '[]', true, 64, \JSON_THROW_ON_ERROR);
            $person = \is_array($record) && \is_string($record['person'] ?? null) ? $record['person'] : '';
            $this->addSql(
                'UPDATE run SET shift_key = ? WHERE id = ?',
                [substr(hash('sha256', (\is_string($row['campaign_id']) ? $row['campaign_id'] : '')."\0".$person), 0, 40), $row['id']],
            );
        }
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('What was learned is not forgotten.');
    }
}
