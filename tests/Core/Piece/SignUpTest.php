<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Piece;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Contact;
use Lantern\Core\Piece\Layout;
use Lantern\Core\Piece\LayoutResolver;
use Lantern\Core\Piece\PieceKind;
use Lantern\Core\Piece\PieceWords;
use Lantern\Core\Piece\SignUp;
use Lantern\Core\Piece\Supplies;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use PHPUnit\Framework\TestCase;

final class SignUpTest extends TestCase
{
    public function testWithoutAListNothingOfItIsSeenAndThatIsSaid(): void
    {
        $resolved = LayoutResolver::resolve(
            self::column(new SignUp(), new Contact()),
            new Supplies(details: ['name' => 'Tansy & Rook']),
            Visitor::guest(new \DateTimeImmutable('2026-03-01')),
        );
        self::assertSame([PieceKind::Contact], array_map(static fn ($piece): PieceKind => $piece->kind(), $resolved->pieces[0]->children));
        self::assertSame(
            ['It has no list yet to write addresses into.'],
            array_map(static fn (LeftOut $left): string => $left->reason->words(), $resolved->leftOut),
        );
    }

    public function testAColumnOfWhichNothingIsLeftIsNotThere(): void
    {
        $resolved = LayoutResolver::resolve(
            self::column(new SignUp(), new Contact()),
            new Supplies(),
            Visitor::guest(new \DateTimeImmutable('2026-03-01')),
        );
        self::assertSame([], $resolved->pieces);
        self::assertCount(2, $resolved->leftOut);
    }

    public function testItIsCalledByItsList(): void
    {
        self::assertSame(
            ['Sign-up for “Letters”', 'Sign-up, for no list yet'],
            [PieceWords::of(new SignUp(list: 'Letters')), PieceWords::of(new SignUp())],
        );
        self::assertSame(['Sign up', 'Write to me'], [(new SignUp())->buttonWords(), (new SignUp(button: 'Write to me'))->buttonWords()]);
    }

    public function testWhatIsTooLongIsRefusedByItsField(): void
    {
        foreach (['words' => 601, 'agreed' => 601, 'button' => 41, 'list' => 61] as $field => $length) {
            try {
                new SignUp(...[$field => str_repeat('x', $length)]);
                self::fail("$field is too long.");
            } catch (Refused $refused) {
                self::assertSame($field, $refused->field);
            }
        }
        $this->expectException(Refused::class);
        new SignUp(list: ' Letters ');
    }

    public function testAColumnOfTheFooterIsOneAndHoldsPieces(): void
    {
        $shape = Layout::column();
        self::assertSame([true, false], [$shape->isInFrame(), $shape->isPage()]);
        foreach ([
            [new Entry('a', new Heading(), null, content: new Contact())],
            [new Entry('a', new Heading(), null, content: new Column()), new Entry('b', new Heading(), null, content: new Column())],
            [new Entry('a', new Heading(), 'a link')],
        ] as $entries) {
            try {
                $shape->check($entries);
                self::fail('This is no column.');
            } catch (Refused) {
                $this->addToAssertionCount(1);
            }
        }
        $shape->check([new Entry(
            'a',
            new Heading(),
            null,
            [new Entry('b', new Heading(), null, content: new Contact())],
            content: new Column(),
        )]);
    }

    private static function column(SignUp|Contact ...$pieces): Tree
    {
        return new Tree(
            [new Entry(
                'column',
                new Heading(),
                null,
                array_map(
                    static fn (SignUp|Contact $piece, int $n): Entry => new Entry("piece-$n", new Heading(), null, content: $piece),
                    array_values($pieces),
                    array_keys(array_values($pieces)),
                ),
                content: new Column(),
            )],
            Layout::column(),
        );
    }
}
