<?php

declare(strict_types=1);

// For PHP's own server: files of public/ as they are, everything else to the application.
$path = (string) parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), \PHP_URL_PATH);
$public = dirname(__DIR__).'/public';
$file = realpath($public.rawurldecode($path));
if ($path !== '/' && $file !== false && is_file($file) && str_starts_with($file, $public.'/build/')) {
    return false;
}
$_SERVER['SCRIPT_NAME'] = '/index.php';
$_SERVER['SCRIPT_FILENAME'] = $public.'/index.php';
require $public.'/index.php';
