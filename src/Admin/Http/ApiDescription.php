<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use OpenApi\Annotations\Operation;
use OpenApi\Generator;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;

/**
 * Describes the API (OpenAPI 3.1) from the classes in these folders: what it gives from the attributes of
 * its views, what it takes from the very classes and constraints that read it, so that nothing is said
 * here that is not asked for there.
 *
 * @phpstan-type Schema array<string, mixed>
 */
final readonly class ApiDescription
{
    private const VERBS = ['get', 'put', 'post', 'delete', 'patch'];

    public function __construct(#[Autowire('%kernel.project_dir%/src/Admin')] private string $folder)
    {
    }

    public function json(): string
    {
        return json_encode(
            $this->document(),
            \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE,
        );
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        $openApi = Generator::scan([$this->folder], ['version' => '3.1.0']) ?? throw new \LogicException('The API has no description.');
        $methods = [];
        foreach ($openApi->paths as $path) {
            foreach (self::VERBS as $verb) {
                if ($path->$verb instanceof Operation) {
                    $methods[$path->path][$verb] = self::method($path->$verb);
                }
            }
        }
        $inputs = [];
        foreach ($openApi->components->schemas as $schema) {
            $class = $schema->_context?->fullyQualifiedName($schema->_context->class) ?? '';
            if (class_exists($class)) {
                $inputs[$schema->schema] = new \ReflectionClass($class);
            }
            foreach (\is_array($schema->properties) && str_ends_with($schema->schema, 'Input') ? $schema->properties : [] as $property) {
                // An enum has no schema of its own; what stands here is replaced below.
                $property->type = Generator::isDefault($property->type) ? 'string' : $property->type;
            }
        }
        /**
         * @var array{paths: array<string, array<string, Schema>>, components: array{schemas: array<string, array{properties?: array<string,
         *            Schema>, required?: list<string>}>}} $document
         */
        $document = json_decode($openApi->toJson(), true, flags: \JSON_THROW_ON_ERROR);
        foreach ($document['components']['schemas'] as $name => $schema) {
            if (isset($inputs[$name]) && str_ends_with($name, 'Input') && [] !== $inputs[$name]->getProperties()) {
                $document['components']['schemas'][$name] = InputSchema::of($inputs[$name], $schema['properties'] ?? []);
            } elseif (!str_ends_with($name, 'Input') && 'Problem' !== $name) {
                // What the API gives is always whole.
                $document['components']['schemas'][$name]['required'] = array_keys($schema['properties'] ?? []);
            }
        }
        foreach ($methods as $path => $operations) {
            foreach ($operations as $verb => $method) {
                $document['paths'][$path][$verb] = self::taken($document['paths'][$path][$verb], $path, $method);
            }
        }

        return $document;
    }

    private static function method(Operation $operation): \ReflectionMethod
    {
        /** @var class-string $class */
        $class = $operation->_context?->fullyQualifiedName($operation->_context->class);

        return new \ReflectionMethod($class, $operation->_context->method ?? '');
    }

    /**
     * An operation with what its method takes.
     *
     * @param Schema $operation
     *
     * @return Schema
     */
    private static function taken(array $operation, string $path, \ReflectionMethod $method): array
    {
        $parameters = \is_array($operation['parameters'] ?? null) ? array_column($operation['parameters'], null, 'name') : [];
        preg_match_all('/\{(\w+)\}/', $path, $names);
        foreach ($names[1] as $name) {
            $parameters[$name] ??= ['name' => $name, 'in' => 'path', 'required' => true, 'schema' => self::pathSchema($method, $name)];
        }
        foreach ($method->getParameters() as $argument) {
            $type = $argument->getType() instanceof \ReflectionNamedType ? $argument->getType()->getName() : '';
            if ([] !== $argument->getAttributes(IfMatch::class)) {
                $parameters['If-Match'] = [
                    'name' => 'If-Match',
                    'in' => 'header',
                    'required' => true,
                    'schema' => ['type' => 'string', 'pattern' => '^"[0-9]+(\\.[0-9a-f]{32})?"$'],
                ];
            } elseif ([] !== $argument->getAttributes(QueryInput::class) && class_exists($type)) {
                $query = InputSchema::of(new \ReflectionClass($type), []);
                foreach ($query['properties'] as $name => $schema) {
                    $parameters[$name] = array_filter([
                        'name' => $name,
                        'in' => 'query',
                        'description' => $schema['description'] ?? null,
                        'schema' => array_diff_key($schema, ['description' => '']),
                    ]);
                }
            } elseif ([] !== $argument->getAttributes(Body::class)) {
                $operation['requestBody'] = [
                    'required' => true,
                    'content' => ['application/json' => ['schema' => ['$ref' => '#/components/schemas/'.self::schemaName($type)]]],
                ];
            }
        }
        if ([] !== $parameters) {
            $operation['parameters'] = array_values($parameters);
        }

        return $operation;
    }

    /** @return Schema what the route lets through */
    private static function pathSchema(\ReflectionMethod $method, string $name): array
    {
        $route = ($method->getAttributes(Route::class)[0] ?? null)?->getArguments() ?? [];
        $requirement = \is_array($route['requirements'] ?? null) ? $route['requirements'][$name] ?? '' : '';

        return match (true) {
            Requirement::UUID === $requirement => ['type' => 'string', 'format' => 'uuid'],
            \is_string($requirement) && str_starts_with($requirement, '\d') => ['type' => 'integer', 'minimum' => 0],
            \is_string($requirement) && 1 === preg_match('/^\w+(?:\|\w+)+$/D', $requirement) => [
                'type' => 'string',
                'enum' => explode('|', $requirement),
            ],
            default => ['type' => 'string'] + (\is_string($requirement) && '' !== $requirement ? ['pattern' => "^(?:$requirement)$"] : []),
        };
    }

    private static function schemaName(string $class): string
    {
        $name = substr($class, (int) strrpos($class, '\\') + 1);

        return str_ends_with($name, 'Input') ? $name : "{$name}Input";
    }
}
