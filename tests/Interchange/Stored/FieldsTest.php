<?php

declare(strict_types=1);

namespace Lantern\Tests\Interchange\Stored;

use Lantern\Core\Place\Light;
use Lantern\Core\Refused;
use Lantern\Interchange\Stored\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FieldsTest extends TestCase
{
    public function testReadsWhatIsThere(): void
    {
        $fields = Fields::of([
            'text' => 'a',
            'none' => null,
            'n' => 3,
            'yes' => true,
            'id' => '019344a0-1c00-7000-8000-000000000000',
            'light' => 'quiet',
            'at' => '2026-03-01T10:00:00+01:00',
            'list' => ['a', 2],
            'map' => ['x' => 'y'],
            'all' => [['t' => '1'], ['t' => '2']],
        ]);
        self::assertSame(['a', null, 'else'], [$fields->text('text'), $fields->textOrNull('none'), $fields->text('missing', 'else')]);
        self::assertSame(
            [3, 7, true, false],
            [$fields->int('n'), $fields->intOr('missing', 7), $fields->bool('yes', false), $fields->bool('missing', false)],
        );
        self::assertSame('019344a0-1c00-7000-8000-000000000000', $fields->uuidOrNull('id'));
        self::assertNull($fields->uuidOrNull('none'));
        self::assertSame(Light::Quiet, $fields->choice('light', Light::class, Light::Open));
        self::assertSame(Light::Open, $fields->choice('missing', Light::class, Light::Open));
        self::assertSame('09:00', $fields->moment('at')?->setTimezone(new \DateTimeZone('UTC'))->format('H:i'));
        self::assertNull($fields->moment('none'));
        self::assertSame(
            [['a', '2'], ['x' => 'y'], []],
            [$fields->textsOr('list', []), $fields->mapOr('map', []), $fields->textsOr('missing', [])],
        );
        self::assertSame(['1', '2'], array_map(static fn (Fields $one): string => $one->text('t'), $fields->objects('all')));
    }

    #[DataProvider('wrong')]
    public function testNamesTheFieldThatIsWrong(\Closure $read, string $field): void
    {
        try {
            $read(Fields::of(['s' => 'text', 'n' => -1, 'o' => ['x' => 1], 'l' => [1, [2]], 'd' => 'soon', 'f' => 1.5]));
            self::fail('It was read.');
        } catch (Refused $refused) {
            self::assertSame($field, $refused->field);
            self::assertNotSame('', $refused->getMessage());
        }
    }

    /** @return iterable<string, array{\Closure(Fields): mixed, string}> */
    public static function wrong(): iterable
    {
        yield 'a text that is a map' => [static fn (Fields $f): string => $f->text('o'), 'o'];
        yield 'a text that is missing' => [static fn (Fields $f): string => $f->text('x'), 'x'];
        yield 'a text within' => [static fn (Fields $f): string => $f->object('o')->text('x'), 'o.x'];
        yield 'an id that is none' => [static fn (Fields $f): string => $f->uuid('s'), 's'];
        yield 'a negative number' => [static fn (Fields $f): int => $f->int('n'), 'n'];
        yield 'half a number' => [static fn (Fields $f): int => $f->int('f'), 'f'];
        yield 'a yes that is a word' => [static fn (Fields $f): bool => $f->bool('s', true), 's'];
        yield 'a choice there is not' => [static fn (Fields $f): \BackedEnum => $f->choice('s', Light::class, Light::Open), 's'];
        yield 'a moment that is none' => [static fn (Fields $f): mixed => $f->moment('d'), 'd'];
        yield 'an object that is a text' => [static fn (Fields $f): mixed => $f->object('s'), 's'];
        yield 'a list that is a map' => [static fn (Fields $f): mixed => $f->objects('o'), 'o'];
        yield 'a list of something else' => [static fn (Fields $f): mixed => $f->textsOr('l', []), 'l'];
        yield 'a map that is a text' => [static fn (Fields $f): mixed => $f->mapOr('s', []), 's'];
    }

    public function testABodyThatIsNoObject(): void
    {
        foreach ([null, 'text', 3, true] as $body) {
            try {
                Fields::of($body);
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertSame('body', $refused->field);
            }
        }
    }
}
