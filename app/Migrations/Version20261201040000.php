<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Plans of days, and every version of each. */
final class Version20261201040000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Plans of days';
    }

    public function up(Schema $schema): void
    {
        $plan = $schema->createTable('day_plan');
        $plan->addColumn('id', 'string', ['length' => 20]);
        $plan->addColumn('campaign_id', 'string', ['length' => 40]);
        $plan->addColumn('planned_day', 'string', ['length' => 10]);
        $plan->addColumn('made_at', 'datetime_immutable');
        $plan->setPrimaryKey(['id']);
        $plan->addIndex(['planned_day'], 'day_plan_day');

        $version = $schema->createTable('day_plan_version');
        $version->addColumn('id', 'integer', ['autoincrement' => true]);
        $version->addColumn('plan_id', 'string', ['length' => 20]);
        $version->addColumn('version', 'integer');
        $version->addColumn('body', 'json');
        $version->addColumn('planned_by', 'string', ['length' => 40]);
        $version->addColumn('planned_at', 'datetime_immutable');
        $version->setPrimaryKey(['id']);
        $version->addUniqueIndex(['plan_id', 'version'], 'day_plan_version_number');
    }

    public function down(Schema $schema): void
    {
        $schema->dropTable('day_plan_version');
        $schema->dropTable('day_plan');
    }
}
