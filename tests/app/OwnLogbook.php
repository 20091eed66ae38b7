<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

/**
 * A database for one test with processes of its own: what several connections do to each other is not seen through the one
 * that other tests share. On the kind of database that the tests run on.
 */
final readonly class OwnLogbook
{
    private function __construct(public string $address, private string $source, private ?string $name)
    {
    }

    /**
     * @param string $folder in which a file may lie
     * @param string $with   how a server makes it
     */
    public static function in(string $folder, string $with = ''): self
    {
        $shared = getenv('FOOTNOTE_DATABASE_URL');
        if ($shared === false || !str_starts_with($shared, 'pgsql:')) {
            return new self('sqlite:///'.$folder.'/footnote.sqlite', 'sqlite:'.$folder.'/footnote.sqlite', null);
        }
        $name = 'fn_'.bin2hex(random_bytes(6));
        self::server($shared)->exec('CREATE DATABASE '.$name.' '.$with);

        return new self(str_replace('/postgres?', '/'.$name.'?', $shared), self::source($shared, $name), $name);
    }

    /** Whether it is a file, not a server's. */
    public function isFile(): bool
    {
        return $this->name === null;
    }

    public function open(): \PDO
    {
        return new \PDO($this->source, options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
    }

    public function drop(): void
    {
        if ($this->name !== null) {
            self::server((string) getenv('FOOTNOTE_DATABASE_URL'))->exec('DROP DATABASE '.$this->name.' WITH (FORCE)');
        }
    }

    private static function server(string $address): \PDO
    {
        return new \PDO(self::source($address, 'postgres'), options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
    }

    private static function source(string $address, string $name): string
    {
        parse_str((string) parse_url($address, \PHP_URL_QUERY), $asked);
        $host = \is_string($asked['host'] ?? null) ? $asked['host'] : '';

        return \sprintf('pgsql:host=%s;dbname=%s;user=%s', $host, $name, (string) parse_url($address, \PHP_URL_USER));
    }
}
