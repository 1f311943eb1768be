<?php

declare(strict_types=1);

namespace Lantern\Admin\Rule;

use Lantern\Admin\Http\Api;
use Lantern\Core\Menu\FillingOrder;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Piece\PieceKind;
use Lantern\Core\Piece\ProductSource;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\RedirectStatus;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;

/** The rules of the job that the interface offers choices by; it decides none of them itself. */
#[AsController]
final readonly class Rules
{
    public function __construct(private Api $api)
    {
    }

    #[Route('/api/rules', methods: ['GET'])]
    #[OA\Get(
        path: '/api/rules',
        summary: 'What there is to choose from',
        responses: [new OA\Response(response: 200, description: 'The rules', content: new OA\JsonContent(ref: RulesView::class))],
    )]
    public function rules(): Response
    {
        $names = static fn (PlaceKind $kind): string => $kind->value;

        return $this->api->json(new RulesView(
            array_map(
                static fn (PlaceKind $kind): KindView => new KindView(
                    $kind->value,
                    $kind->words(),
                    $kind->standsBelow()?->value,
                    $kind->isMadeFromTitle(),
                    $kind->isFixed(),
                    PieceKind::of($kind)->value,
                ),
                PlaceKind::cases(),
            ),
            array_map(static fn (FillingSource $source): FillingRule => new FillingRule(
                $source->value,
                $source->words(),
                $source->placeWords(),
                array_map($names, $source->placeKinds()),
                $source->needsPlace(),
                FillingSource::Newest === $source ? array_map($names, SelfFilling::kinds()) : [],
                $source->deepest(),
                array_map(static fn (FillingOrder $order): string => $order->value, $source->orders()),
                $source->mostAtFirst(),
            ), FillingSource::cases()),
            SelfFilling::MOST,
            array_map(
                static fn (RedirectStatus $status): ChoiceView => new ChoiceView((string) $status->value, $status->words()),
                RedirectStatus::cases(),
            ),
            array_map(static fn (string $way): ChoiceView => new ChoiceView($way, CollectionRule::words($way)), CollectionRule::WAYS),
            array_map(static fn (PieceKind $kind): PieceRule => new PieceRule(
                $kind->value,
                $kind->words(),
                $kind->isPiece(),
                array_values(array_map(
                    static fn (PieceKind $one): string => $one->value,
                    array_filter(PieceKind::cases(), $kind->standsIn(...)),
                )),
                $kind->holdsLinks(),
                $kind->needsLabel(),
            ), PieceKind::cases()),
            array_map(
                static fn (ProductSource $source): ChoiceView => new ChoiceView($source->value, $source->words()),
                ProductSource::cases(),
            ),
        ));
    }
}
