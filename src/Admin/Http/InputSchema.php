<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Says as JSON Schema (2020-12) what a class that reads an input lets through: its types and its constraints. */
final class InputSchema
{
    /**
     * @param \ReflectionClass<object>            $class
     * @param array<string, array<string, mixed>> $said  what is described by hand, by property
     *
     * @return array{type: string, required?: list<string>, properties: array<string, array<string, mixed>>}
     */
    public static function of(\ReflectionClass $class, array $said): array
    {
        $defaults = [];
        foreach ($class->getConstructor()?->getParameters() ?? [] as $parameter) {
            $defaults[$parameter->getName()] = $parameter->isOptional();
        }
        $properties = $required = [];
        foreach ($class->getProperties(\ReflectionProperty::IS_PUBLIC) as $property) {
            $name = $property->getName();
            $properties[$name] = self::property($property, $said[$name] ?? []);
            if (false === ($defaults[$name] ?? true)) {
                $required[] = $name;
            }
        }

        return ['type' => 'object'] + ([] === $required ? [] : ['required' => $required]) + ['properties' => $properties];
    }

    /**
     * @param array<string, mixed> $said
     *
     * @return array<string, mixed>
     */
    private static function property(\ReflectionProperty $property, array $said): array
    {
        $type = $property->getType();
        $name = $type instanceof \ReflectionNamedType ? $type->getName() : 'string';
        $nullable = true === $type?->allowsNull();
        $arguments = ($property->getAttributes(OA\Property::class)[0] ?? null)?->getArguments() ?? [];
        $description = \is_string($arguments['description'] ?? null) ? ['description' => $arguments['description']] : [];
        if (is_a($name, \BackedEnum::class, true)) {
            $own = ['type' => 'string', 'enum' => array_map(static fn (\BackedEnum $case): int|string => $case->value, $name::cases())];
        } elseif (\DateTimeImmutable::class === $name) {
            $own = ['type' => 'string', 'format' => 'date-time'];
        } elseif (class_exists($name)) {
            $reference = ['$ref' => '#/components/schemas/'.substr($name, (int) strrpos($name, '\\') + 1)];

            return $description + ($nullable ? ['oneOf' => [$reference, ['type' => 'null']]] : $reference);
        } elseif ('array' === $name) {
            $own = ['type' => 'array', 'items' => \is_array($said['items'] ?? null) ? $said['items'] : ['type' => 'string']];
        } else {
            $own = ['type' => ['int' => 'integer', 'bool' => 'boolean', 'float' => 'number'][$name] ?? 'string'];
        }
        foreach ($property->getAttributes() as $attribute) {
            if (str_starts_with($attribute->getName(), 'Symfony\\Component\\Validator\\') || Id::class === $attribute->getName()) {
                $own = self::constrained($own, $attribute->newInstance());
            }
        }
        if ($nullable) {
            $own['type'] = [$own['type'], 'null'];
            if (\is_array($own['enum'] ?? null)) {
                $own['enum'][] = null;
            }
        }

        return $description + $own;
    }

    /**
     * @param array<string, mixed> $schema
     *
     * @return array<string, mixed>
     */
    private static function constrained(array $schema, object $constraint): array
    {
        return match (true) {
            $constraint instanceof Id => $schema + ['format' => 'uuid'],
            $constraint instanceof Assert\Length => $schema + array_filter(
                ['minLength' => $constraint->min, 'maxLength' => $constraint->max],
                \is_int(...),
            ),
            $constraint instanceof Assert\Count => $schema + array_filter(
                ['minItems' => $constraint->min, 'maxItems' => $constraint->max],
                \is_int(...),
            ),
            $constraint instanceof Assert\Range => $schema + ['minimum' => $constraint->min, 'maximum' => $constraint->max],
            $constraint instanceof Assert\Choice => $schema + [
                'enum' => \is_callable($constraint->callback) ? ($constraint->callback)() : $constraint->choices,
            ],
            $constraint instanceof Assert\All => ['items' => array_reduce(
                (array) $constraint->constraints,
                static fn (array $items, mixed $one): array => \is_object($one) ? self::constrained($items, $one) : $items,
                \is_array($schema['items'] ?? null) ? $schema['items'] : [],
            )] + $schema,
            default => $schema,
        };
    }
}
