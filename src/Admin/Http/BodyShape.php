<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Validator\Constraints as Assert;

/**
 * Holds a body against the class that its operation reads it into, before anything is made of it: lists where lists belong and no longer
 * than they may be, objects where objects belong, and no crowd of fields that nobody knows. Building objects of what is refused
 * afterwards costs a thousand times of this.
 */
final class BodyShape
{
    /** A page that is older than the server may send fields that are no more. */
    private const MOST_UNKNOWN = 100;

    /** Of a list that says no number. */
    private const MOST_ITEMS = 5000;

    private int $unknown = 0;

    private function __construct()
    {
    }

    /**
     * @param array<mixed> $data the body, decoded
     *
     * @return Problem|null null: it may be read
     */
    public static function problem(Request $request, array $data): ?Problem
    {
        $class = self::inputOf($request);

        return null === $class ? null : (new self())->object($data, new \ReflectionClass($class), '');
    }

    /** @return class-string|null what the operation reads a body into */
    private static function inputOf(Request $request): ?string
    {
        $controller = $request->attributes->get('_controller');
        if (!\is_string($controller) || !str_contains($controller, '::')) {
            return null;
        }
        foreach ((new \ReflectionMethod($controller))->getParameters() as $parameter) {
            $type = $parameter->getType();
            if ([] !== $parameter->getAttributes(Body::class) && $type instanceof \ReflectionNamedType && class_exists($type->getName())) {
                return $type->getName();
            }
        }

        return null;
    }

    /**
     * @param array<mixed>             $data
     * @param \ReflectionClass<object> $class
     */
    private function object(array $data, \ReflectionClass $class, string $path): ?Problem
    {
        $known = [];
        foreach ($class->getProperties(\ReflectionProperty::IS_PUBLIC) as $property) {
            $known[$property->getName()] = $property;
        }
        $this->unknown += \count(array_diff_key($data, $known));
        if ($this->unknown > self::MOST_UNKNOWN) {
            return self::refused(
                $path,
                'This has more fields that nobody knows than a mistake would have. Send only those of the description.',
            );
        }
        foreach (array_intersect_key($known, $data) as $name => $property) {
            $problem = $this->value($data[$name], $property, ltrim("$path.$name", '.'));
            if (null !== $problem) {
                return $problem;
            }
        }

        return null;
    }

    private function value(mixed $value, \ReflectionProperty $property, string $path): ?Problem
    {
        $type = $property->getType();
        if (null === $value || !$type instanceof \ReflectionNamedType || 'mixed' === $type->getName()) {
            return null;
        }
        if ('array' === $type->getName()) {
            return \is_array($value) ? $this->items($value, $property, $path) : null;
        }
        if (!\is_array($value)) {
            return null;
        }
        $of = $type->getName();
        if ($type->isBuiltin() || enum_exists($of) || !class_exists($of) || is_a($of, \DateTimeInterface::class, true)) {
            return self::refused($path, 'This has to be one value, and is a list or an object.');
        }
        if (array_is_list($value) && [] !== $value) {
            return self::refused($path, 'An object with named fields is expected here.');
        }

        return $this->object($value, new \ReflectionClass($of), $path);
    }

    /** @param array<mixed> $items */
    private function items(array $items, \ReflectionProperty $property, string $path): ?Problem
    {
        $most = self::MOST_ITEMS;
        foreach ([ListSize::class, Assert\Count::class] as $kind) {
            $constraint = ($property->getAttributes($kind, \ReflectionAttribute::IS_INSTANCEOF)[0] ?? null)?->newInstance();
            $most = $constraint instanceof Assert\Count ? $constraint->max ?? $most : $most;
        }
        if (\count($items) > $most) {
            return self::refused(
                $path,
                \sprintf(
                    'At most %s are taken at once; these are %s. Send them in parts.',
                    number_format($most),
                    number_format(\count($items)),
                ),
            );
        }
        $described = ($property->getAttributes(OA\Property::class)[0] ?? null)?->getArguments()['items'] ?? null;
        $of = $described instanceof OA\Items && \is_string($described->ref) && class_exists($described->ref)
            ? new \ReflectionClass($described->ref)
            : null;
        if (null === $of || $of->isEnum()) {
            return null;
        }
        foreach ($items as $n => $item) {
            if (!\is_array($item) || array_is_list($item) && [] !== $item) {
                return self::refused("$path.$n", 'An object with named fields is expected here.');
            }
            $problem = $this->object($item, $of, "$path.$n");
            if (null !== $problem) {
                return $problem;
            }
        }

        return null;
    }

    private static function refused(string $field, string $detail): Problem
    {
        return new Problem(422, 'Not possible like this', $detail, '' === $field ? 'body' : $field);
    }
}
