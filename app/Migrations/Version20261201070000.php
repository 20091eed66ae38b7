<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Footnote\App\Logbook\Row\DayPlanVersion;
use Footnote\App\Storage\Cells;

/** Each version of a plan says its own day and campaign: a day that is planned again may become another. */
final class Version20261201070000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The day of each version of a plan';
    }

    public function up(Schema $schema): void
    {
        $version = $schema->getTable('day_plan_version');
        $version->addColumn('campaign_id', 'string', ['length' => 40, 'default' => '']);
        $version->addColumn('planned_day', 'string', ['length' => 10, 'default' => '']);
        $version->addColumn('wanted', 'integer', ['default' => 0]);
        $version->addColumn('short', 'integer', ['default' => 0]);
        $version->addIndex(['planned_day'], 'day_plan_version_day');
        $plan = $schema->getTable('day_plan');
        $plan->dropIndex('day_plan_day');
        $plan->dropColumn('campaign_id');
        $plan->dropColumn('planned_day');
    }

    public function postUp(Schema $schema): void
    {
        foreach ($this->connection->fetchAllAssociative('SELECT id, body FROM day_plan_version') as $row) {
            $this->connection->executeStatement(
                'UPDATE day_plan_version SET campaign_id = ?, planned_day = ?, wanted = ?, short = ? WHERE id = ?',
                [...DayPlanVersion::listed(Cells::json($row, 'body')), Cells::text($row, 'id')],
            );
        }
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Which day a plan was first of is not kept.');
    }
}
