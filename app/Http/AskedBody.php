<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Footnote\Core\Record\Strangers;
use Symfony\Component\Cache\Adapter\AdapterInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\Yaml\Yaml;

/**
 * What the contract does not ask for is refused and not dropped: somebody meant something by it. Where a body is as a family
 * asks, the family's own reader says the same.
 *
 * @phpstan-type Asked array{method: string, path: string, schema: array<string, mixed>}
 */
final readonly class AskedBody
{
    public function __construct(
        private string $projectDir,
        #[Autowire(service: 'cache.system')]
        private AdapterInterface $cache,
    ) {
    }

    /** After the person is known: a stranger is told nothing. */
    #[AsEventListener]
    public function check(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || $request->getContentTypeFormat() !== 'json' || $request->isMethodSafe()) {
            return;
        }
        $schema = $this->asked($request);
        if ($schema !== null) {
            (new Strangers($schema, nulls: true))->in(Body::of($request)->data());
        }
    }

    /** @return array<string, mixed>|null null where no body is asked for */
    private function asked(Request $request): ?array
    {
        $asked = $this->bodies();
        foreach ($asked['bodies'] as $body) {
            if ($body['method'] === $request->getMethod() && preg_match($body['path'], $request->getPathInfo()) === 1) {
                return [...$body['schema'], '$defs' => $asked['parts']];
            }
        }

        return null;
    }

    /** @return array{bodies: list<Asked>, parts: array<string, mixed>} of the contract, which is read once a release */
    private function bodies(): array
    {
        $contract = $this->projectDir.'/contract/openapi.yaml';
        $item = $this->cache->getItem('asked-bodies-'.filemtime($contract));
        if (!$item->isHit()) {
            $this->cache->save($item->set(self::read((string) file_get_contents($contract))));
        }

        /** @var array{bodies: list<Asked>, parts: array<string, mixed>} */
        return $item->get();
    }

    /** @return array{bodies: list<Asked>, parts: array<string, mixed>} bodies, and the parts that they name */
    private static function read(string $text): array
    {
        /** @var array{paths: array<string, array<string, mixed>>, components: array{schemas: array<string, mixed>}} $contract */
        $contract = Yaml::parse(str_replace('#/components/schemas/', '#/$defs/', $text));
        $bodies = [];
        foreach ($contract['paths'] as $path => $methods) {
            foreach ($methods as $method => $operation) {
                /** @var array{requestBody?: array{content?: array<string, array{schema?: array<string, mixed>}>}} $operation */
                $schema = $operation['requestBody']['content']['application/json']['schema'] ?? null;
                if ($schema !== null) {
                    $bodies[] = [
                        'method' => strtoupper($method),
                        'path' => '#^'.preg_replace('#\\\\\{\w+\\\\\}#', '[^/]+', preg_quote($path, '#')).'$#D',
                        'schema' => $schema,
                    ];
                }
            }
        }
        $parts = [];
        self::gather($bodies, $contract['components']['schemas'], $parts);

        return ['bodies' => $bodies, 'parts' => $parts];
    }

    /**
     * @param array<mixed>         $named that names parts
     * @param array<string, mixed> $all
     * @param array<string, mixed> $parts found so far
     */
    private static function gather(array $named, array $all, array &$parts): void
    {
        array_walk_recursive($named, static function (mixed $value, int|string $key) use ($all, &$parts): void {
            $name = $key === '$ref' && \is_string($value) ? substr($value, \strlen('#/$defs/')) : '';
            $part = $parts[$name] ?? $all[$name] ?? null;
            if (\is_array($part) && !isset($parts[$name])) {
                $parts[$name] = $part;
                self::gather($part, $all, $parts);
            }
        });
    }
}
