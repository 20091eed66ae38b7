<?php

declare(strict_types=1);

use Footnote\App\Environment;
use Footnote\App\Kernel;
use Symfony\Component\HttpFoundation\Request;

require dirname(__DIR__).'/vendor/autoload.php';

$environment = Environment::load(dirname(__DIR__));
$kernel = new Kernel($environment->name, $environment->debug);
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
