<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\Tests\Core\Scene;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Yaml\Yaml;

/**
 * Requests that nobody means, made from the contract: every address, header and body, with a field or two that no form sends.
 * None ends in an internal error, every answer keeps the contract, and the journal holds afterwards.
 *
 * FOOTNOTE_DRILL says how many, FOOTNOTE_SEED which.
 */
final class MalformedTest extends ApiTestCase
{
    private const STRANGE = [
        'null', 'true', '-1', '0', '1e999', '-1e999', '1e-400', '123456789012345678901234567890', '0.1e1', '[]', '{}', '[[[[1]]]]',
        '""', '" "', '"x"', '"0"', '"-0"', '"1,5"', '"1e999"', '"1e5"', '"."', '"NaN"', '"Infinity"', '"0x1F"', '"+1"', '"٣"',
        '"999999999999999999999999999999999999999999"', '"0.0000000000000000000000000000000000000001"', '"\u0000"', '"a\u0000b"',
        '"\ud800"', '"\u202e"', '"\u0007"', '"0000-00-00"', '"9999-12-31"', '"2026-02-30"', '"9999-12-31T23:59:59+14:00"',
        '"0000-01-01T00:00:00Z"', '"2026-03-02T07:45:00+99:99"', '"2026-03-02T24:00:00Z"', '"../../etc/passwd"',
        '"D"', '"c"', '"r1"', '"k1"', '"noise-dosimeter"', '"Z"', '{"value": "1", "unit": "L/min"}',
        '{"value": 1}', '[null]', '[{"from": 1}]', '{"a": {"b": [1e999]}}',
        "\"\xFF\xFE\"", '"😀"', '"<script>"', '"=1+1"', '"\' OR 1=1 --"', '"%s%n"', '"{{7*7}}"', '{"0": "x"}', '{"": ""}',
    ];
    /** By which the test itself comes in. */
    private const NOT_TRIED = ['/api/session/begin', '/api/session/end', '/api/session/everywhere', '/api/session/password'];
    private const HEADERS = [
        '', 'x', '%FF', "\xFF", '%00', '%7B%7D', '{"columns": 1}', '{"columns": [{"place": 1e999}]}', '[1e999]', 'null',
        '123456789012345678901234567890',
    ];

    public function testNoneEndsInAnInternalError(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $many = Drill::asked('FOOTNOTE_DRILL', 400);
        $seed = Drill::asked('FOOTNOTE_SEED', 20261129);
        $random = new Randomizer(new Mt19937($seed));
        $operations = self::operations();
        $this->signIn(Role::Hygienist);
        $told = [];
        for ($i = 0; $i < $many; ++$i) {
            if ($i % 500 === 250) {
                $this->signIn($random->getInt(0, 1) === 0 ? Role::Steward : Role::Hygienist);
            }
            [$method, $path, $body, $type, $headers] = $this->request($operations[$i % \count($operations)], $random);
            $this->browser->request($method, $path, server: [
                'HTTP_X_REQUESTED_WITH' => 'footnote',
                'CONTENT_TYPE' => $type,
                ...$headers,
            ], content: $body);
            $response = $this->browser->getResponse();
            $status = $response->getStatusCode();
            $told[$status] = ($told[$status] ?? 0) + 1;
            self::assertLessThan(500, $status, \sprintf(
                "seed %d, request %d: %s %s\n%s\n%s\n%s",
                $seed,
                $i,
                $method,
                $path,
                json_encode($headers, \JSON_INVALID_UTF8_SUBSTITUTE),
                substr($body, 0, 1500),
                substr((string) $response->getContent(), 0, 300),
            ));
        }
        self::assertGreaterThan(0, $told[422] ?? 0);
        $said = $this->service(Journal::class)->verify();
        self::assertTrue($said['fault'] === null, json_encode($said, \JSON_THROW_ON_ERROR));
    }

    /** Whatever the contract asks for in a body: something beside it is refused by name. */
    public function testWhatNobodyAskedForIsRefused(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $refused = 0;
        foreach ([Role::Steward, Role::Hygienist] as $role) {
            $this->signIn($role);
            foreach (self::operations() as [$method, $path, $schema]) {
                // Drafts and plans keep no evidence; of shelves each asks something of its own.
                if ($schema === null || preg_match('#/drafts/|/library/|/plan$#D', $path) === 1) {
                    continue;
                }
                $of = strtr($path, [
                    '{id}' => str_contains($path, '/references/') ? 'A' : (str_contains($path, '/runs/') ? 'r1' : 'D'),
                    '{run}' => 'r1',
                    '{remark}' => '1',
                    '{place}' => '0',
                ]);
                $known = [
                    'id' => 'X-9', 'model' => 'M', 'family' => 'noise-dosimeter', 'kind' => 'acoustic-calibrator', 'campaign' => 'c',
                    'instrument' => 'D', 'start' => Scene::moment('17:00'), 'person' => 'W-01', 'task' => 't', 'number' => 'N',
                    'laboratory' => 'L', 'issued' => '2026-01-01', 'due' => '2027-01-01',
                ];
                $body = array_intersect_key($known, \is_array($all = self::resolved($schema)['properties'] ?? []) ? $all : []);
                $this->browser->request($method, $of, server: [
                    'HTTP_X_REQUESTED_WITH' => 'footnote',
                    'CONTENT_TYPE' => 'application/json',
                ], content: json_encode([...$body, 'stranger' => 'x'], \JSON_THROW_ON_ERROR));
                $response = $this->browser->getResponse();
                if ($response->getStatusCode() !== 403) {
                    self::assertSame(422, $response->getStatusCode(), "$method $of");
                    self::assertStringContainsString('Stranger: is not asked here.', (string) $response->getContent(), "$method $of");
                    ++$refused;
                }
            }
        }
        self::assertGreaterThan(25, $refused);
    }

    /**
     * @param array{string, string, array<mixed>|null, string} $operation
     *
     * @return array{string, string, string, string, array<string, string>}
     */
    private function request(array $operation, Randomizer $random): array
    {
        [$method, $template, $schema, $type] = $operation;
        $ids = [
            'r1', 'k1', 'D', 'C', 'c', 'nobody', '%00', '%FF', '..%2F..', str_repeat('x', 300), '0', '-1', '99999999999999999999',
            '%F0%9F%98%80', '\'"',
        ];
        $path = (string) preg_replace_callback(
            '/\{(\w+)\}/',
            fn (array $one): string => match (true) {
                $random->getInt(0, 2) > 0 => match (true) {
                    str_contains($template, '/references/') => 'C',
                    str_contains($template, '/runs/'), $one[1] === 'run' => 'r1',
                    str_contains($template, '/checks/') => 'k1',
                    default => 'D',
                },
                default => $this->one($ids, $random),
            },
            $template,
        );
        if ($method === 'GET' && $random->getInt(0, 1) === 1) {
            $name = $this->one(
                ['page', 'before', 'campaign', 'day', 'verdict', 'instrument', 'decided', 'channel', 'run', 'x[]', 'person', 'kind'],
                $random,
            );
            $path .= '?'.$name.'='.$this->one(
                ['', '1', '-1', '1e999', '99999999999999999999', '%00', '%FF', '2026-02-30', 'x', '0000-00-00', '9999-12-31'],
                $random,
            );
        }
        $headers = [];
        foreach (['X_REASON', 'X_LOG_NAME', 'X_LOG_FORMAT', 'X_REPORT', 'X_LABORATORY', 'X_REQUEST_ID'] as $name) {
            if ($random->getInt(0, 9) === 0 || ($method === 'POST' && $type === 'text/plain' && $random->getInt(0, 1) === 0)) {
                $headers['HTTP_'.$name] = $this->one([...self::HEADERS, ...self::STRANGE], $random);
            }
        }
        if ($schema === null) {
            $text = $this->one(
                ['', "\0", "\xFF\xFE", "a,b\n1,2\n", str_repeat("2026-03-02 08:00:00,85.1\n", 50), '{}', str_repeat('x', 70000)],
                $random,
            );

            return [$method, $path, $method === 'GET' ? '' : $text, $type, $headers];
        }
        $body = $this->written($this->meant($schema, $random, 0), $random);
        if ($random->getInt(0, 19) === 0) {
            $body = $this->one(
                [
                    substr($body, 0, intdiv(\strlen($body), 2)),
                    '',
                    'null',
                    '[]',
                    '"x"',
                    str_repeat('[', 600),
                    $body."\xFF",
                    str_repeat('{"a":', 40).'1'.str_repeat('}', 40),
                ],
                $random,
            );
        }

        return [$method, $path, $body, $type, $headers];
    }

    /**
     * What the contract describes, with plausible words.
     *
     * @param array<mixed> $schema
     */
    private function meant(array $schema, Randomizer $random, int $depth): mixed
    {
        $schema = self::resolved($schema);
        $enum = $schema['enum'] ?? null;
        if (\is_array($enum)) {
            return $this->one(array_values($enum), $random);
        }
        foreach (['anyOf', 'oneOf', 'allOf'] as $several) {
            if (\is_array($schema[$several] ?? null) && $schema[$several] !== []) {
                $one = $this->one(array_values($schema[$several]), $random);

                return $this->meant(\is_array($one) ? $one : [], $random, $depth);
            }
        }
        $usual = isset($schema['properties']) ? 'object' : 'string';
        $type = \is_array($schema['type'] ?? null) ? $schema['type'][0] ?? 'string' : $schema['type'] ?? $usual;
        if ($type === 'object') {
            $made = [];
            $required = (array) ($schema['required'] ?? []);
            foreach (\is_array($schema['properties'] ?? null) ? $schema['properties'] : [] as $name => $property) {
                $isTold = $random->getInt(0, 3) > 0 || \in_array($name, $required, true);
                if ($depth < 5 && \is_array($property) && $isTold) {
                    $made[(string) $name] = $this->meant($property, $random, $depth + 1);
                }
            }

            return (object) $made;
        }

        return match ($type) {
            'array' => $depth < 5 && \is_array($schema['items'] ?? null) ? [$this->meant($schema['items'], $random, $depth + 1)] : [],
            'integer', 'number' => $random->getInt(0, 20),
            'boolean' => true,
            default => $this->one(
                [
                    'D', 'c', 'C', 'k1', 'r1', 'W-01', '2026-03-02T09:00:00+00:00', '2026-03-02', '93.6', '1', 'typed', 'saw',
                    'noise-dosimeter', 'standard',
                ],
                $random,
            ),
        };
    }

    /** As JSON, with a field or two that hold something strange, and now and then one that nobody asked for. */
    private function written(mixed $meant, Randomizer $random): string
    {
        $text = json_encode($meant, \JSON_THROW_ON_ERROR);
        $places = preg_match_all(
            '/(?<=[:\[,])("(?:[^"\\\\]|\\\\.)*"|-?\d+(?:\.\d+)?|true|false|null|\[\]|\{\})(?=[,}\]])/',
            $text,
            $found,
            \PREG_OFFSET_CAPTURE,
        );
        for ($changes = $random->getInt(0, 2); $changes > 0 && $places > 0; --$changes) {
            [$old, $at] = $found[0][$random->getInt(0, $places - 1)];
            if (substr($text, $at, \strlen($old)) === $old) {
                $new = $random->getInt(0, 9) === 0
                    ? '"'.str_repeat('x', $random->getInt(100, 9000)).'"'
                    : $this->one(self::STRANGE, $random);
                $text = substr_replace($text, $new, $at, \strlen($old));
                break;
            }
        }
        if ($random->getInt(0, 9) === 0 && str_starts_with($text, '{"')) {
            $text = '{"stranger": '.$this->one(self::STRANGE, $random).', '.substr($text, 1);
        }

        return $text;
    }

    /**
     * @template T
     *
     * @param array<array-key, T> $several
     *
     * @return T
     */
    private function one(array $several, Randomizer $random): mixed
    {
        $values = array_values($several);

        return $values[$random->getInt(0, \count($values) - 1)];
    }

    /** @return list<array{string, string, array<mixed>|null, string}> method, path, body, its type */
    private static function operations(): array
    {
        $operations = [];
        $paths = self::contract()['paths'] ?? [];
        \assert(\is_array($paths));
        foreach ($paths as $path => $methods) {
            foreach (\is_array($methods) ? $methods : [] as $method => $operation) {
                if (!\in_array($method, ['get', 'post', 'put'], true) || \in_array($path, self::NOT_TRIED, true)) {
                    continue;
                }
                /** @var array{requestBody?: array{content?: array<string, array{schema?: array<mixed>}>}} $operation */
                $asked = $operation['requestBody']['content'] ?? [];
                $json = $asked['application/json']['schema'] ?? null;
                $operations[] = [
                    strtoupper($method),
                    $path,
                    $json,
                    array_key_first($asked) ?? 'application/json',
                ];
            }
        }

        return $operations;
    }

    /**
     * @param array<mixed> $schema
     *
     * @return array<mixed>
     */
    private static function resolved(array $schema): array
    {
        if (!\is_string($schema['$ref'] ?? null)) {
            return $schema;
        }
        $found = self::contract();
        foreach (explode('/', substr($schema['$ref'], 2)) as $name) {
            $found = $found[$name] ?? [];
            \assert(\is_array($found));
        }

        return self::resolved($found);
    }

    /** @return array<mixed> */
    private static function contract(): array
    {
        static $contract = null;
        $contract ??= Yaml::parseFile(\dirname(__DIR__, 2).'/contract/openapi.yaml');
        \assert(\is_array($contract));

        return $contract;
    }
}
