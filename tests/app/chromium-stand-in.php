#!/usr/bin/env php
<?php

declare(strict_types=1);

// Speaks as Chromium does through its pipes, on a busy machine: that a tab is loaded comes late of what it held before, and of what it
// opens now long after the answer, or before it. Whoever prints too early is left without an answer.
$in = fopen('php://fd/3', 'r');
$out = fopen('php://fd/4', 'w');
assert($in !== false && $out !== false);
stream_set_blocking($in, false);
$tell = static function (array $message) use ($out): void {
    fwrite($out, json_encode($message, JSON_THROW_ON_ERROR)."\0");
};
$loaded = static function (string $session, string $loader) use ($tell): void {
    $tell(['method' => 'Page.lifecycleEvent', 'sessionId' => $session, 'params' => ['name' => 'load', 'loaderId' => $loader]]);
};
/** @var array<string, array{string, float}> $due loader of each session that is not loaded yet, and when it will be */
$due = [];
$opened = 0;
$heard = '';
while (!feof($in)) {
    $read = [$in];
    $none = null;
    if (stream_select($read, $none, $none, 0, 20_000) > 0) {
        $heard .= (string) stream_get_contents($in);
    }
    foreach ($due as $session => [$loader, $at]) {
        if (microtime(true) > $at) {
            unset($due[$session]);
            $loaded($session, $loader);
        }
    }
    while (($end = strpos($heard, "\0")) !== false) {
        $asked = json_decode(substr($heard, 0, $end), true, 8, JSON_THROW_ON_ERROR);
        $heard = substr($heard, $end + 1);
        assert(is_array($asked) && is_int($asked['id']) && is_string($asked['method']));
        $session = $asked['sessionId'] ?? '';
        assert(is_string($session));
        if ($asked['method'] === 'Page.printToPDF' && isset($due[$session])) {
            continue;
        }
        $result = match ($asked['method']) {
            'Target.createTarget' => ['targetId' => 't'],
            'Target.attachToTarget' => ['sessionId' => 's'.$asked['id']],
            'Page.navigate' => ['loaderId' => 'L'.++$opened],
            'Page.printToPDF' => ['data' => base64_encode('%PDF of '.$session)],
            default => [],
        };
        $isOpened = $asked['method'] === 'Page.navigate';
        if ($isOpened) {
            $loaded($session, 'blank');
        }
        if ($isOpened && $opened % 2 === 0) {
            $loaded($session, 'L'.$opened);
        } elseif ($isOpened) {
            $due[$session] = ['L'.$opened, microtime(true) + 0.3];
        }
        $tell(['id' => $asked['id'], 'result' => (object) $result]);
    }
}
