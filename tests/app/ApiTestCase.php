<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\Person;
use Footnote\App\Access\PersonSecret;
use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Record\Importer;
use Footnote\App\Report\Column;
use Footnote\App\Storage\RecordFile;
use Footnote\Tests\Core\Scene;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Yaml\Yaml;

/** Talks to the API as a signed-in person; every answer is held against contract/openapi.yaml. */
abstract class ApiTestCase extends WebTestCase
{
    protected const PASSWORD = 'a-long-password-1';

    protected KernelBrowser $browser;

    private static ?\stdClass $contract = null;

    protected function setUp(): void
    {
        $this->browser = self::createClient();
        $this->browser->disableReboot();
        $this->service(Journal::class)->during('console', 'person added', [], function (): void {
            foreach (Role::cases() as $role) {
                $code = strtoupper($role->value[0]).'-1';
                $secret = new PersonSecret($role->value);
                $secret->choose(
                    $this->service(UserPasswordHasherInterface::class)
                        ->hashPassword(new User($role->value, $code, [$role], 1), self::PASSWORD),
                );
                $this->service(EntityManagerInterface::class)->persist(new Person($role->value, $role, $code));
                $this->service(EntityManagerInterface::class)->persist($secret);
            }
        });
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    protected function service(string $class): object
    {
        $service = self::getContainer()->get($class);
        self::assertInstanceOf($class, $service);

        return $service;
    }

    protected function signIn(Role $role): void
    {
        $this->browser->getCookieJar()->clear();
        $this->call('POST', '/api/session/begin', ['name' => $role->value, 'password' => self::PASSWORD]);
    }

    /** Puts a scene into the logbook as the demo is put there. */
    protected function import(Scene $scene): void
    {
        $this->importRecord($scene->record);
    }

    /**
     * A record for what is done today: whatever a laboratory saw, it saw a month ago.
     *
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>
     */
    protected static function certifiedLately(array $record): array
    {
        $dates = [
            'issued' => (new \DateTimeImmutable('-1 month'))->format('Y-m-d'),
            'due' => (new \DateTimeImmutable('+11 months'))->format('Y-m-d'),
        ];
        foreach (['instruments', 'references'] as $list) {
            \assert(\is_array($record[$list]));
            $record[$list] = array_map(static function (mixed $one) use ($dates): mixed {
                if (!\is_array($one) || !\is_array($one['certificates'] ?? null)) {
                    return $one;
                }
                $dated = static fn (mixed $certificate): mixed => \is_array($certificate) ? [...$certificate, ...$dates] : $certificate;

                return [...$one, 'certificates' => array_map($dated, $one['certificates'])];
            }, $record[$list]);
        }

        return $record;
    }

    /** @param array<string, mixed> $record */
    protected function importRecord(array $record): void
    {
        $path = tempnam(sys_get_temp_dir(), 'record');
        self::assertIsString($path);
        file_put_contents($path, json_encode($record, \JSON_THROW_ON_ERROR));
        $this->service(Importer::class)->import(RecordFile::open($path, \dirname(__DIR__, 2)), 'test');
        unlink($path);
    }

    /**
     * @param array<string, mixed>|null $body
     * @param array<string, string>     $headers
     */
    protected function call(
        string $method,
        string $path,
        ?array $body = null,
        int $status = 200,
        ?string $raw = null,
        array $headers = [],
    ): Answer {
        $server = ['HTTP_X_REQUESTED_WITH' => 'footnote', 'CONTENT_TYPE' => $raw === null ? 'application/json' : 'text/plain'];
        foreach ($headers as $name => $value) {
            $server['HTTP_'.strtoupper(str_replace('-', '_', $name))] = $value;
        }
        $this->browser->request(
            $method,
            $path,
            server: $server,
            content: $raw ?? ($body === null ? '{}' : json_encode($body, \JSON_THROW_ON_ERROR)),
        );
        $response = $this->browser->getResponse();
        $text = $this->browser->getInternalResponse()->getContent();
        self::assertSame($status, $response->getStatusCode(), substr($text, 0, 2000));
        $this->keepsContract(
            $method,
            (string) parse_url($path, \PHP_URL_PATH),
            $response->getStatusCode(),
            (string) $response->headers->get('Content-Type'),
            $text,
        );

        return new Answer($text);
    }

    /**
     * Each column of a table stands in docs/formats.md as it is.
     *
     * @param list<Column> $columns
     */
    protected static function assertDescribed(array $columns): void
    {
        $told = (string) file_get_contents(\dirname(__DIR__, 2).'/docs/formats.md');
        foreach ($columns as $column) {
            self::assertStringContainsString(\sprintf("| `%s` | %s | %s |\n", $column->name, $column->type, $column->meaning), $told);
        }
    }

    /** Accepts a half-done check as it stands. */
    protected function acceptDraft(string $draft, int $status = 201): Answer
    {
        $version = $this->call('GET', '/api/bench/drafts/'.$draft)->int('version');

        return $this->call('POST', '/api/bench/drafts/'.$draft.'/accept', ['version' => $version], $status);
    }

    private function keepsContract(string $method, string $path, int $status, string $type, string $text): void
    {
        self::$contract ??= $this->contract();
        $type = explode(';', $type)[0];
        foreach (self::members(self::$contract, 'paths') as $template => $methods) {
            if (preg_match(
                '#^'.preg_replace('#\{\w+\}#', '[^/]+', preg_quote($template, '#') !== '' ? str_replace('.', '\.', $template) : '').'$#D',
                $path,
            ) !== 1) {
                continue;
            }
            $operation = self::members($methods, strtolower($method));
            $responses = $operation['responses'] ?? null;
            self::assertInstanceOf(\stdClass::class, $responses, "$method $path is not in the contract");
            $answer = $responses->{(string) $status} ?? $responses->default ?? null;
            self::assertInstanceOf(\stdClass::class, $answer, "$method $path may not answer $status");
            if ($text === '' || !isset($answer->content)) {
                self::assertSame('', $text, "$method $path answers nothing by contract");

                return;
            }
            $content = self::members($answer, 'content')[$type] ?? null;
            self::assertInstanceOf(\stdClass::class, $content, "$method $path may not answer $type with $status");
            if (!str_ends_with($type, '/json') && !str_ends_with($type, '+json')) {
                return;
            }
            $schema = (object) [
                '$schema' => 'https://json-schema.org/draft/2020-12/schema',
                '$id' => 'https://footnote.invalid/'.md5($template.$method.$status),
                'allOf' => [$content->schema ?? new \stdClass()],
                'components' => self::$contract->components ?? null,
            ];
            $result = (new Validator())->validate(json_decode($text, false, 64, \JSON_THROW_ON_ERROR), $schema);
            $error = $result->error();
            self::assertNull(
                $error,
                $error === null
                    ? ''
                    : "$method $path breaks the contract: ".json_encode(
                        (new ErrorFormatter())->format($error),
                        \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES,
                    ),
            );

            return;
        }
        self::assertContains($status, [404, 405], "$path is not in the contract");
    }

    private function contract(): \stdClass
    {
        $contract = Yaml::parseFile(\dirname(__DIR__, 2).'/contract/openapi.yaml', Yaml::PARSE_OBJECT_FOR_MAP);
        self::assertInstanceOf(\stdClass::class, $contract);

        return $contract;
    }

    /** @return array<string, mixed> */
    private static function members(mixed $object, string $name): array
    {
        $value = $object instanceof \stdClass ? ($object->{$name} ?? null) : null;

        /** @var array<string, mixed> */
        return $value instanceof \stdClass ? (array) $value : [];
    }
}
