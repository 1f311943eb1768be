<?php

declare(strict_types=1);

namespace Lantern\Interchange\Stored;

use Lantern\Core\Looks\Colour;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\BandWidth;
use Lantern\Core\Piece\Button;
use Lantern\Core\Piece\Cards;
use Lantern\Core\Piece\Carousel;
use Lantern\Core\Piece\Colours;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Contact;
use Lantern\Core\Piece\ContactDetail;
use Lantern\Core\Piece\Divider;
use Lantern\Core\Piece\File;
use Lantern\Core\Piece\Ground;
use Lantern\Core\Piece\Links;
use Lantern\Core\Piece\OneProduct;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Piece\PieceKind;
use Lantern\Core\Piece\ProductForm;
use Lantern\Core\Piece\ProductOrder;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ProductSource;
use Lantern\Core\Piece\SignUp;
use Lantern\Core\Piece\Tab;
use Lantern\Core\Piece\Tabs;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;
use Lantern\Core\Refused;

/** Pieces of pages and panels as JSON, each by its kind. */
final class PieceCodec
{
    public static function decode(Fields $fields): Piece
    {
        return match ($fields->choice('kind', PieceKind::class, PieceKind::Words)) {
            PieceKind::Panel => new Panel(
                $fields->choice('width', BandWidth::class, BandWidth::Page),
                $fields->intOr('distance', 0),
                $fields->intOr('room', 24),
                self::ground($fields),
                self::colours($fields),
                $fields->bool('byClick', false),
                $fields->bool('fades', true),
            ),
            PieceKind::Band => new Band(
                $fields->choice('width', BandWidth::class, BandWidth::Page),
                $fields->intOr('gap', 24),
                $fields->intOr('room', 0),
                self::ground($fields),
                self::colours($fields),
            ),
            PieceKind::Column => new Column($fields->intOr('share', 1)),
            PieceKind::Words => new Text($fields->text('html', ''), $fields->bool('inDrawer', false)),
            PieceKind::Heading => new Title($fields->intOr('level', 2)),
            PieceKind::Divider => new Divider(),
            PieceKind::Picture => new Picture(
                $fields->text('name', ''),
                $fields->text('shows', ''),
                $fields->intOr('share', 100),
                $fields->bool('inDrawer', false),
            ),
            PieceKind::Button => new Button($fields->bool('main', true)),
            PieceKind::Links => new Links(),
            PieceKind::Products => new Products(
                $fields->choice('source', ProductSource::class, ProductSource::Place),
                $fields->text('tag', ''),
                $fields->intOr('most', 8),
                $fields->choice('order', ProductOrder::class, ProductOrder::Laid),
                $fields->choice('form', ProductForm::class, ProductForm::Grid),
                $fields->bool('price', true),
                $fields->bool('basket', false),
                $fields->bool('inDrawer', false),
            ),
            PieceKind::Product => new OneProduct(
                $fields->bool('price', true),
                $fields->bool('basket', true),
                $fields->bool('inDrawer', false),
            ),
            PieceKind::Cards => new Cards($fields->bool('ofChildren', false), $fields->intOr('most', Cards::MOST)),
            PieceKind::File => new File(),
            PieceKind::Contact => $fields->has('details')
                ? new Contact(array_map(
                    static fn (string $one): ContactDetail => ContactDetail::tryFrom($one)
                        ?? throw new Refused('details', 'Choose among the details of the shop that are shown.'),
                    $fields->textsOr('details', []),
                ))
                : new Contact(),
            PieceKind::SignUp => new SignUp(
                $fields->text('words', ''),
                $fields->text('button', ''),
                $fields->text('agreed', ''),
                $fields->text('list', ''),
            ),
            PieceKind::Tabs => new Tabs($fields->bool('beside', false)),
            PieceKind::Tab => new Tab(),
            PieceKind::Carousel => new Carousel($fields->bool('turns', false)),
        };
    }

    /** @return array<string, mixed> with `kind`; what is as it usually is, too */
    public static function encode(Piece $piece): array
    {
        $values = array_map(static fn (mixed $value): mixed => match (true) {
            $value instanceof \BackedEnum => $value->value,
            \is_array($value) => array_map(static fn (mixed $one): mixed => $one instanceof \BackedEnum ? $one->value : $one, $value),
            $value instanceof Ground => $value->values(),
            $value instanceof Colours => (object) $value->values(),
            default => $value,
        }, get_object_vars($piece));

        return ['kind' => $piece->kind()->value] + $values;
    }

    private static function ground(Fields $fields): Ground
    {
        $ground = $fields->objectOrNull('ground');

        return null === $ground ? new Ground() : new Ground(self::colour($ground, 'colour'), $ground->textOrNull('picture'));
    }

    private static function colours(Fields $fields): Colours
    {
        $colours = $fields->objectOrNull('colours');

        return null === $colours
            ? new Colours()
            : new Colours(...array_map(
                static fn (string $name): ?Colour => self::colour($colours, $name),
                ['heading', 'text', 'link', 'pointed', 'divider'],
            ));
    }

    private static function colour(Fields $fields, string $name): ?Colour
    {
        $hex = $fields->textOrNull($name);

        return null === $hex || '' === $hex ? null : Colour::fromHex($hex, $name);
    }
}
