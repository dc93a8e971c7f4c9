<?php

declare(strict_types=1);

namespace MintDoor\Tests\App;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Yaml\Yaml;

/** The OpenAPI file as something to hold responses against. */
final class Contract
{
    private const ID = 'mint:///contract.json';

    private static ?self $one = null;

    private readonly Validator $validator;

    /** @var array<string, array<string, mixed>> */
    private readonly array $paths;

    /** @var array<string, array{name: string, in: string}> those that several operations share */
    private readonly array $parameters;

    /** @var list<string> names */
    private readonly array $schemas;

    private function __construct()
    {
        $document = Yaml::parseFile(\dirname(__DIR__, 2).'/openapi/mint-door.yaml', Yaml::PARSE_OBJECT_FOR_MAP);
        $all = json_decode(json_encode($document, \JSON_THROW_ON_ERROR), true);
        $this->paths = $all['paths'];
        $this->parameters = $all['components']['parameters'];
        $this->schemas = array_map(strval(...), array_keys($all['components']['schemas']));
        $this->validator = new Validator();
        $this->validator->parser()->setDefaultDraftVersion('2020-12');
        $this->validator->resolver()?->registerRaw($document, self::ID);
    }

    public static function get(): self
    {
        return self::$one ??= new self();
    }

    /** @return list<string> every "METHOD /path" of the file */
    public function operations(): array
    {
        $operations = [];
        foreach ($this->paths as $path => $item) {
            foreach (array_intersect(array_keys($item), ['get', 'post', 'put', 'patch', 'delete']) as $method) {
                $operations[] = strtoupper((string) $method).' '.$path;
            }
        }

        return $operations;
    }

    /** @return list<string> names of schemas, and of operations */
    public function names(): array
    {
        $names = $this->schemas;
        foreach ($this->paths as $item) {
            foreach ($item as $operation) {
                if (isset($operation['operationId'])) {
                    $names[] = $operation['operationId'];
                }
            }
        }

        return $names;
    }

    /** @return list<array{string, list<string>}> of all that is read: its path, and what may stand in its query */
    public function queries(): array
    {
        $queries = [];
        foreach ($this->paths as $path => $item) {
            $all = [...$item['parameters'] ?? [], ...$item['get']['parameters'] ?? []];
            $names = [];
            foreach ($all as $parameter) {
                $parameter = isset($parameter['$ref'])
                    ? $this->parameters[basename($parameter['$ref'])]
                    : $parameter;
                if ('query' === $parameter['in']) {
                    $names[] = $parameter['name'];
                }
            }
            if (isset($item['get']) && [] !== $names) {
                $queries[] = [$path, $names];
            }
        }

        return $queries;
    }

    /** @param ?string $body that was sent, as JSON: one that was taken is one the contract allows */
    public function assertHolds(string $method, string $path, Response $response, ?string $body = null): void
    {
        foreach ($this->paths as $template => $item) {
            $operation = $item[strtolower($method)] ?? null;
            if (
                null === $operation
                || 1 !== preg_match('#^'.preg_replace('/\{\w+\}/', '[^/]+', $template).'$#', $path)
            ) {
                continue;
            }
            $status = (string) $response->getStatusCode();
            Assert::assertTrue(
                isset($operation['responses'][$status]) || isset($operation['responses'][$status[0].'XX']),
                "$method $template does not speak of status $status: ".$response->getContent(),
            );
            $place = '/paths/'.str_replace(['~', '/'], ['~0', '~1'], $template).'/'.strtolower($method);
            if (null !== $body && (int) $status < 300) {
                Assert::assertArrayHasKey('requestBody', $operation, "$method $template takes no body.");
                $this->assertFits($body, "$place/requestBody/content/application~1json/schema", "$method $template");
            }
            if ('204' === $status) {
                Assert::assertSame('', $response->getContent());

                return;
            }
            $content = $operation['responses'][$status]['content'] ?? [];
            $type =
                (int) $status >= 400
                    ? 'application/problem+json'
                    : (string) (array_key_first($content) ?? 'application/json');
            $said = strtok((string) $response->headers->get('Content-Type'), ';');
            Assert::assertSame($type, $said, (string) $response->getContent());
            if (\in_array($type, ['application/x-ndjson', 'application/yaml', 'text/calendar'], true)) {
                return;
            }
            $pointer =
                (int) $status >= 400
                    ? '/components/schemas/Problem'
                    : "$place/responses/$status/content/application~1json/schema";
            $this->assertFits((string) $response->getContent(), $pointer, "$method $template $status");

            return;
        }
        Assert::fail("The contract does not know $method $path.");
    }

    /** @param string $pointer to a schema in the file */
    private function assertFits(string $json, string $pointer, string $what): void
    {
        $result = $this->validator->validate(
            json_decode($json, false, 512, \JSON_THROW_ON_ERROR),
            (object) ['$ref' => self::ID.'#'.str_replace(['{', '}'], ['%7B', '%7D'], $pointer)],
        );
        $error = $result->error();
        Assert::assertNull(
            $error,
            null === $error
                ? ''
                : "$what: ".json_encode((new ErrorFormatter())->format($error), \JSON_PRETTY_PRINT),
        );
    }
}
