<?php

declare(strict_types=1);

namespace Lantern\Interchange\Stored;

use Lantern\Core\Moment;
use Lantern\Core\Refused;

/** Reads fields of decoded JSON with the types they should have, and says which one is wrong. */
final readonly class Fields
{
    /** What a database keeps as an integer. */
    private const MOST = 2_147_483_647;

    /** @param array<mixed> $fields */
    private function __construct(private array $fields, private string $within, private \DateTimeZone $zone)
    {
    }

    /** @param \DateTimeZone $zone in which moments are meant that say no offset */
    public static function of(mixed $value, string $within = '', \DateTimeZone $zone = new \DateTimeZone('UTC')): self
    {
        if (!\is_array($value)) {
            throw new Refused('' === $within ? 'body' : $within, 'An object with named fields is expected here.');
        }

        return new self($value, $within, $zone);
    }

    /** @return array<string, mixed> as they came */
    public function values(): array
    {
        /** @var array<string, mixed> */
        return $this->fields;
    }

    /** Whether the field is there at all, be it null. */
    public function has(string $name): bool
    {
        return \array_key_exists($name, $this->fields);
    }

    public function text(string $name, ?string $otherwise = null): string
    {
        $value = $this->fields[$name] ?? $otherwise;

        return \is_string($value) ? $value : throw $this->wrong($name, 'a text');
    }

    public function textOrNull(string $name): ?string
    {
        return isset($this->fields[$name]) ? $this->text($name) : null;
    }

    public function uuid(string $name): string
    {
        $value = $this->text($name);

        return 1 === preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $value) ? $value : throw $this->wrong($name, 'an id');
    }

    public function uuidOrNull(string $name): ?string
    {
        return isset($this->fields[$name]) ? $this->uuid($name) : null;
    }

    public function int(string $name): int
    {
        $value = $this->fields[$name] ?? null;

        return \is_int($value) && $value >= 0 && $value <= self::MOST ? $value : throw $this->wrong($name, 'a whole number from 0 on');
    }

    public function intOrNull(string $name): ?int
    {
        return isset($this->fields[$name]) ? $this->int($name) : null;
    }

    public function intOr(string $name, int $otherwise): int
    {
        return isset($this->fields[$name]) ? $this->int($name) : $otherwise;
    }

    /**
     * @param list<string> $otherwise
     *
     * @return list<string>
     */
    public function textsOr(string $name, array $otherwise): array
    {
        $value = $this->fields[$name] ?? $otherwise;
        if (!\is_array($value) || !array_is_list($value)) {
            throw $this->wrong($name, 'a list of texts');
        }

        return array_map(
            fn (mixed $one): string => \is_scalar($one) ? (string) $one : throw $this->wrong($name, 'a list of texts'),
            $value,
        );
    }

    /** @return list<string> */
    public function uuids(string $name): array
    {
        $value = $this->fields[$name] ?? [];
        if (!\is_array($value) || !array_is_list($value)) {
            throw $this->wrong($name, 'a list of ids');
        }

        return array_map(fn (mixed $one): string => self::of(['one' => $one], $this->path($name))->uuid('one'), $value);
    }

    /**
     * @param array<string, mixed> $otherwise
     *
     * @return array<string, mixed>
     */
    public function mapOr(string $name, array $otherwise): array
    {
        $value = $this->fields[$name] ?? $otherwise;
        $value = $value instanceof \stdClass ? (array) $value : $value;
        if (!\is_array($value)) {
            throw $this->wrong($name, 'an object with named fields');
        }

        /** @var array<string, mixed> */
        return $value;
    }

    public function bool(string $name, bool $otherwise): bool
    {
        $value = $this->fields[$name] ?? $otherwise;

        return \is_bool($value) ? $value : throw $this->wrong($name, 'true or false');
    }

    public function moment(string $name): ?\DateTimeImmutable
    {
        $text = $this->textOrNull($name);
        if (null === $text || '' === $text) {
            return null;
        }

        return Moment::parse($text, $this->path($name), $this->zone);
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T
     */
    public function choice(string $name, string $enum, \BackedEnum $otherwise): \BackedEnum
    {
        $choices = implode(', ', array_map(static fn (\BackedEnum $case): string => (string) $case->value, $enum::cases()));

        return $enum::tryFrom($this->text($name, (string) $otherwise->value)) ?? throw $this->wrong($name, "one of $choices");
    }

    public function object(string $name): self
    {
        return self::of($this->fields[$name] ?? null, $this->path($name), $this->zone);
    }

    public function objectOrNull(string $name): ?self
    {
        return isset($this->fields[$name]) ? $this->object($name) : null;
    }

    /** @return list<self> */
    public function objects(string $name): array
    {
        $value = $this->fields[$name] ?? [];
        if (!\is_array($value) || !array_is_list($value)) {
            throw $this->wrong($name, 'a list');
        }

        return array_map(fn (mixed $item): self => self::of($item, $this->path($name), $this->zone), $value);
    }

    private function wrong(string $name, string $expected): Refused
    {
        return new Refused($this->path($name), \sprintf('“%s” has to be %s.', $this->path($name), $expected));
    }

    private function path(string $name): string
    {
        return '' === $this->within ? $name : $this->within.'.'.$name;
    }
}
