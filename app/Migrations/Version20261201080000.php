<?php

declare(strict_types=1);

namespace Footnote\App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** People and tasks are found among the runs of years. */
final class Version20261201080000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Indexes of persons and tasks';
    }

    public function up(Schema $schema): void
    {
        $state = $schema->getTable('run_state');
        $state->addIndex(['person', 'campaign_id'], 'run_state_person');
        $state->addIndex(['task', 'campaign_id'], 'run_state_task');
    }

    public function down(Schema $schema): void
    {
        $state = $schema->getTable('run_state');
        $state->dropIndex('run_state_person');
        $state->dropIndex('run_state_task');
    }
}
