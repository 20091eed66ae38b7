<?php

declare(strict_types=1);

namespace Footnote\App;

/** Where the settings come from: the process, then a file .env.local of KEY=value lines. Nothing secret has a default. */
final readonly class Environment
{
    private function __construct(public string $name, public bool $debug)
    {
    }

    public static function load(string $folder): self
    {
        date_default_timezone_set('UTC');
        $file = $folder.'/.env.local';
        if (is_file($file)) {
            foreach (explode("\n", (string) file_get_contents($file)) as $line) {
                if (preg_match('/^([A-Z_]+)=(.*)$/', $line, $part) === 1 && getenv($part[1]) === false) {
                    putenv($line);
                    $_ENV[$part[1]] = $part[2];
                }
            }
        }
        $name = getenv('APP_ENV');
        if ($name === false || $name === '') {
            $name = 'prod';
        }

        return new self($name, $name !== 'prod');
    }
}
