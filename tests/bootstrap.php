<?php

declare(strict_types=1);

use Footnote\App\Kernel;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Output\NullOutput;

require dirname(__DIR__).'/vendor/autoload.php';

date_default_timezone_set('UTC');
// Two runs at once, each on a database of its own, share no folder.
$folder = getenv('FOOTNOTE_TEST_DATA');
$data = dirname(__DIR__).'/var/'.($folder === false ? 'test' : $folder);
foreach ([
    'FOOTNOTE_SECRET' => 'only-for-tests',
    'FOOTNOTE_JOURNAL_KEY' => 'only-for-tests-too',
    'FOOTNOTE_DATA' => $data,
    'APP_ENV' => 'test',
    'KERNEL_CLASS' => Kernel::class,
] as $name => $value) {
    putenv("$name=$value");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
if (!is_dir($data.'/sessions')) {
    mkdir($data.'/sessions', 0o755, true);
}
array_map('unlink', glob($data.'/footnote.sqlite*') ?: []);
DAMA\DoctrineTestBundle\Doctrine\DBAL\StaticDriver::setKeepStaticConnections(false);
$kernel = new Kernel('test', true);
$application = new Application($kernel);
$application->setAutoExit(false);
if ($application->run(new ArrayInput(['command' => 'doctrine:migrations:migrate', '--no-interaction' => true]), new NullOutput()) !== 0) {
    throw new RuntimeException('The test database could not be migrated.');
}
$kernel->shutdown();
DAMA\DoctrineTestBundle\Doctrine\DBAL\StaticDriver::setKeepStaticConnections(true);
