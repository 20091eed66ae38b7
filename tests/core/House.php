<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

/** Who names whom in the house's PHP files, read off their tokens: comments and texts do not count. */
final readonly class House
{
    /** What a name stands behind that is no class. */
    private const OF_ITS_OWN = [
        \T_OBJECT_OPERATOR, \T_NULLSAFE_OBJECT_OPERATOR, \T_DOUBLE_COLON, \T_FUNCTION, \T_CONST, \T_CASE,
    ];

    /** @param array<string, list<string>> $arrows files that a file names, each by its path from the root of the project */
    private function __construct(private array $arrows)
    {
    }

    public static function read(string $root): self
    {
        $files = [];
        foreach (['core' => 'Footnote\Core', 'app' => 'Footnote\App'] as $folder => $namespace) {
            $all = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root.'/'.$folder, \FilesystemIterator::SKIP_DOTS));
            foreach ($all as $file) {
                $path = $file instanceof \SplFileInfo ? substr($file->getPathname(), \strlen($root) + 1) : '';
                if (str_ends_with($path, '.php')) {
                    $files[$namespace.strtr(substr($path, \strlen($folder), -4), '/', '\\')] = $path;
                }
            }
        }
        ksort($files);
        $arrows = [];
        foreach ($files as $class => $path) {
            $named = array_map(
                static fn (string $name): string => $files[$name] ?? '',
                self::named((string) file_get_contents($root.'/'.$path), substr($class, 0, (int) strrpos($class, '\\'))),
            );
            $arrows[$path] = array_values(array_diff(array_unique($named), ['', $path]));
        }

        return new self($arrows);
    }

    /** @return array<string, list<string>> */
    public function files(): array
    {
        return $this->arrows;
    }

    /**
     * The rules of a family stand in its room, in a folder for themselves: it lists them, and they judge what it works out.
     *
     * @return array<string, list<string>> rooms that a room names
     */
    public function rooms(): array
    {
        $room = static fn (string $file): string => (string) preg_replace('~/Rule$~', '', \dirname($file));
        $rooms = [];
        foreach ($this->arrows as $from => $to) {
            $rooms[$room($from)] = [...$rooms[$room($from)] ?? [], ...array_map($room, $to)];
        }
        foreach ($rooms as $name => $others) {
            $others = array_diff(array_unique($others), [$name]);
            sort($others);
            $rooms[$name] = $others;
        }

        return $rooms;
    }

    /**
     * Circles among places: each a set in which every one reaches every other.
     *
     * @param array<string, list<string>> $arrows
     *
     * @return list<list<string>>
     */
    public static function circles(array $arrows): array
    {
        $reached = array_map(static fn (array $to): array => array_fill_keys($to, true), $arrows);
        do {
            $grew = false;
            foreach ($reached as $from => $to) {
                $more = $to;
                foreach (array_keys($to) as $next) {
                    $more += $reached[$next] ?? [];
                }
                $grew = $grew || \count($more) > \count($to);
                $reached[$from] = $more;
            }
        } while ($grew);
        $circles = [];
        foreach ($reached as $from => $to) {
            if (isset($to[$from])) {
                $circle = array_values(array_filter(array_keys($to), static fn (string $one): bool => isset($reached[$one][$from])));
                sort($circle);
                $circles[implode(' ', $circle)] = $circle;
            }
        }

        return array_values($circles);
    }

    /** @return list<string> the classes that a file names, with their namespaces */
    private static function named(string $code, string $namespace): array
    {
        $tokens = array_values(array_filter(
            \PhpToken::tokenize($code),
            static fn (\PhpToken $token): bool => !$token->is([\T_WHITESPACE, \T_COMMENT, \T_DOC_COMMENT]),
        ));
        $imported = [];
        $named = [];
        foreach ($tokens as $place => $token) {
            $before = $tokens[$place - 1] ?? null;
            if ($before?->is(\T_USE) === true && $token->is(\T_NAME_QUALIFIED)) {
                $renamed = ($tokens[$place + 1] ?? null)?->is(\T_AS) === true;
                $as = $renamed ? $tokens[$place + 2]->text : basename(strtr($token->text, '\\', '/'));
                $imported[$as] = $token->text;
                $named[] = $token->text;
            } elseif ($token->is(\T_NAME_FULLY_QUALIFIED)) {
                $named[] = ltrim($token->text, '\\');
            } elseif ($token->is(\T_NAME_QUALIFIED)) {
                [$first, $rest] = explode('\\', $token->text, 2);
                $named[] = ($imported[$first] ?? $namespace.'\\'.$first).'\\'.$rest;
            } elseif ($token->is(\T_STRING) && $before?->is(self::OF_ITS_OWN) !== true) {
                $named[] = $imported[$token->text] ?? $namespace.'\\'.$token->text;
            }
        }

        return $named;
    }
}
