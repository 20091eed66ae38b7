<?php

declare(strict_types=1);

use Footnote\App\Console\AssessCommand;
use Footnote\App\Environment;
use Footnote\App\Kernel;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Input\ArgvInput;

require dirname(__DIR__).'/vendor/autoload.php';

$environment = Environment::load(dirname(__DIR__));
$input = new ArgvInput();
$application = $input->getFirstArgument() === 'footnote:assess'
    ? new Symfony\Component\Console\Application('Footnote')
    : new Application(new Kernel($environment->name, $environment->debug));
if (!$application instanceof Application) {
    $application->addCommand(AssessCommand::alone(dirname(__DIR__)));
}
$application->run($input);
