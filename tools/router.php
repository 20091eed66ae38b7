<?php

declare(strict_types=1);

// For PHP's own server: files of public/ as they are, everything else to the application.
$path = (string) parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), \PHP_URL_PATH);
$public = dirname(__DIR__).'/public';
$file = realpath($public.rawurldecode($path));
$isWorker = $file === $public.'/sw.js';
if ($path !== '/' && $file !== false && is_file($file) && ($isWorker || str_starts_with($file, $public.'/build/'))) {
    // As docs/production.md has nginx do it.
    $types = [
        'js' => 'text/javascript',
        'css' => 'text/css',
        'woff2' => 'font/woff2',
        'html' => 'text/html',
        'svg' => 'image/svg+xml',
    ];
    foreach ([
        'Content-Type' => $types[pathinfo($file, PATHINFO_EXTENSION)] ?? 'application/octet-stream',
        'Content-Length' => (string) filesize($file),
        // The service worker keeps its name: it is asked for anew each time.
        'Cache-Control' => $isWorker ? 'no-cache' : 'public, max-age=31536000, immutable',
        'X-Content-Type-Options' => 'nosniff',
        'Referrer-Policy' => 'same-origin',
        'X-Frame-Options' => 'DENY',
    ] as $name => $value) {
        header($name.': '.$value);
    }
    header_remove('X-Powered-By');
    readfile($file);

    return true;
}
$_SERVER['SCRIPT_NAME'] = '/index.php';
$_SERVER['SCRIPT_FILENAME'] = $public.'/index.php';
require $public.'/index.php';
