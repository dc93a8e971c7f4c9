<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\Config\ConfigCacheFactoryInterface;
use Symfony\Component\Config\ConfigCacheInterface;
use Symfony\Component\Config\Resource\FileResource;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpKernel\CacheWarmer\CacheWarmerInterface;
use Symfony\Component\Routing\RouterInterface;
use Symfony\Component\Yaml\Yaml;

/**
 * What the contract says of the body of each operation, as JSON Schemas of their own: references are put in place, and
 * what the contract leaves open gets a bound, so that nothing in a body is without one.
 *
 * @phpstan-type Schema array<array-key, mixed>
 */
final class BodyContract implements CacheWarmerInterface
{
    /** Characters of a text, members of an array or a map, and the size of a number, where the contract names none. */
    private const LONGEST = 2_000;

    private const MOST = 2_000;

    private const LARGEST = 2_147_483_647;

    /** How deep a schema may stand in itself. */
    private const DEEPEST = 8;

    /** @var ?array<string, array<string, string>> schemas as JSON by route and method */
    private ?array $schemas = null;

    /** @var Schema */
    private array $document = [];

    public function __construct(
        private readonly RouterInterface $router,
        #[Autowire(service: 'config_cache_factory')] private readonly ConfigCacheFactoryInterface $caches,
        #[Autowire('%kernel.project_dir%/openapi/mint-door.yaml')] private readonly string $contract,
        #[Autowire('%kernel.cache_dir%/bodies.php')] private readonly string $file,
    ) {}

    /** @return ?string a JSON Schema; null where the operation takes no body */
    public function schema(string $route, string $method): ?string
    {
        if (null === $this->schemas) {
            $cache = $this->caches->cache($this->file, $this->compile(...));
            /** @var array<string, array<string, string>> $schemas */
            $schemas = require $cache->getPath();
            $this->schemas = $schemas;
        }

        return $this->schemas[$route][$method] ?? null;
    }

    public function isOptional(): bool
    {
        return false;
    }

    public function warmUp(string $cacheDir, ?string $buildDir = null): array
    {
        $this->schema('', '');

        return [$this->file];
    }

    private function compile(ConfigCacheInterface $cache): void
    {
        $document = Yaml::parseFile($this->contract);
        $this->document = \is_array($document) ? $document : [];
        $schemas = [];
        foreach ($this->router->getRouteCollection() as $name => $route) {
            $path = (string) preg_replace('#^/api/v1#', '', $route->getPath());
            foreach ($route->getMethods() as $method) {
                $body = ['requestBody', 'content', 'application/json', 'schema'];
                $schema = $this->at(['paths', $path, strtolower($method), ...$body]);
                if (null !== $schema) {
                    $schemas[$name][$method] = json_encode($this->bounded($schema), \JSON_THROW_ON_ERROR);
                }
            }
        }
        $this->document = [];
        $cache->write('<?php return '.var_export($schemas, true).';', [new FileResource($this->contract)]);
    }

    /**
     * @param list<string> $keys
     *
     * @return ?Schema
     */
    private function at(array $keys): ?array
    {
        $found = $this->document;
        foreach ($keys as $key) {
            $found = \is_array($found) ? $found[$key] ?? null : null;
        }

        return \is_array($found) ? $found : null;
    }

    /**
     * @param Schema             $schema
     * @param array<string, int> $in     how often it stands in each that is referred to
     *
     * @return Schema
     */
    private function bounded(array $schema, array $in = []): array
    {
        $ref = $schema['$ref'] ?? null;
        if (\is_string($ref)) {
            $in[$ref] = ($in[$ref] ?? 0) + 1;
            $target = $this->at(explode('/', substr($ref, 2))) ?? throw new \LogicException($ref);

            return $in[$ref] > self::DEEPEST
                ? ['type' => 'object', 'maxProperties' => 0]
                : $this->bounded(
                    $target,
                    $in
                );
        }
        foreach (['properties', 'oneOf', 'anyOf', 'allOf'] as $each) {
            if (\is_array($schema[$each] ?? null)) {
                $schema[$each] = array_map(fn(mixed $one): array => $this->bounded((array) $one, $in), $schema[$each]);
            }
        }
        foreach (['items', 'additionalProperties', 'propertyNames'] as $each) {
            if (\is_array($schema[$each] ?? null)) {
                $schema[$each] = $this->bounded($schema[$each], $in);
            }
        }
        $types = (array) ($schema['type'] ?? []);
        $says = static fn(string ...$keywords): bool => [] !== array_intersect($keywords, array_keys($schema));
        if (\in_array('string', $types, true) && !$says('maxLength', 'enum', 'const')) {
            $schema['maxLength'] = self::LONGEST;
        }
        if (\in_array('integer', $types, true) || \in_array('number', $types, true)) {
            $schema += ['maximum' => self::LARGEST, 'minimum' => -self::LARGEST];
        }
        if (\in_array('array', $types, true)) {
            $schema += ['maxItems' => self::MOST];
        }
        if (\in_array('object', $types, true) && isset($schema['properties'])) {
            $schema += ['additionalProperties' => false];
            $schema['properties'] = (object) $schema['properties'];
        } elseif (\in_array('object', $types, true)) {
            $schema += ['maxProperties' => self::MOST];
        }
        unset($schema['description'], $schema['default'], $schema['example'], $schema['examples']);

        return $schema;
    }
}
