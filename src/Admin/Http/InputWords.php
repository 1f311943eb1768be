<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\Validator\Constraints\Choice;
use Symfony\Component\Validator\Constraints\Count;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\Range;
use Symfony\Component\Validator\ConstraintViolationInterface;
use Symfony\Component\Validator\ConstraintViolationListInterface;

/** Says what is wrong with an input, for the person who typed it. */
final class InputWords
{
    /** What a field is called on the screen, where that is something else. */
    private const SPOKEN = ['html' => 'text'];

    public static function problem(ConstraintViolationListInterface $violations): Problem
    {
        $first = $violations->get(0);
        $field = str_replace(['[', ']'], ['.', ''], $first->getPropertyPath());

        return new Problem(
            422,
            'Not possible like this',
            self::words($first, '' === $field ? 'body' : self::SPOKEN[$field] ?? $field),
            '' === $field ? 'body' : $field,
        );
    }

    private static function words(ConstraintViolationInterface $violation, string $field): string
    {
        $constraint = $violation->getConstraint();
        $value = $violation->getInvalidValue();
        $length = \is_string($value) ? mb_strlen($value) : (is_countable($value) ? \count($value) : 0);

        return match (true) {
            $constraint instanceof Length && null !== $constraint->max && $length > $constraint->max => \sprintf(
                '“%s” has at most %s characters; this one has %s. Shorten it.',
                $field,
                number_format($constraint->max),
                number_format($length),
            ),
            $constraint instanceof Length => \sprintf('“%s” cannot be empty. Type it.', $field),
            ListSize::OF_OTHERS === $violation->getCode() => \sprintf('“%s” has to be a list of texts.', $field),
            \is_array($value) && !array_is_list($value) => \sprintf('“%s” has to be a list.', $field),
            $constraint instanceof Count => \sprintf(
                '“%s” has from %s to %s things at once; this one has %s.',
                $field,
                number_format($constraint->min ?? 0),
                number_format($constraint->max ?? \PHP_INT_MAX),
                number_format($length),
            ),
            $constraint instanceof Range => \sprintf(
                '“%s” is a number from %s to %s.',
                $field,
                self::text($constraint->min),
                self::text($constraint->max),
            ),
            $constraint instanceof Choice => \sprintf(
                '“%s” is one of: %s.',
                $field,
                implode(
                    ', ',
                    array_map(self::text(...), array_filter($constraint->choices ?? [], static fn (mixed $one): bool => '' !== $one)),
                ),
            ),
            $constraint instanceof Id => \sprintf('“%s” has to be an id.', $field),
            default => self::typeWords($violation, $field),
        };
    }

    private static function typeWords(ConstraintViolationInterface $violation, string $field): string
    {
        $parameters = $violation->getParameters();
        $type = self::text($parameters['{{ type }}'] ?? '');
        if (is_a($type, \BackedEnum::class, true)) {
            return \sprintf(
                '“%s” is one of: %s.',
                $field,
                implode(', ', array_map(static fn (\BackedEnum $case): string => (string) $case->value, $type::cases())),
            );
        }

        return match (true) {
            'unknown' === $type => \sprintf('“%s” is missing.', $field),
            \DateTimeImmutable::class === $type => self::text($parameters['hint'] ?? ''),
            'string' === $type => \sprintf('“%s” has to be a text.', $field),
            'int' === $type => \sprintf('“%s” has to be a whole number.', $field),
            'bool' === $type => \sprintf('“%s” has to be true or false.', $field),
            str_contains($type, 'array') || str_contains($type, 'list') => \sprintf('“%s” has to be a list.', $field),
            default => \sprintf('“%s” is not of the kind that is expected here.', $field),
        };
    }

    private static function text(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }
}
