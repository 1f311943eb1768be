<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Answer\Answer;
use Lantern\Core\Menu\Narrowing;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Serving;
use Lantern\Persistence\Card;
use Lantern\Persistence\Frame;
use Lantern\Persistence\ShopReader;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\ResponseHeaderBag;
use Symfony\Component\Uid\Uuid;
use Twig\Environment;

/** The storefront's pages, from whichever copy the visit is answered from. */
final readonly class Pages
{
    public function __construct(private Environment $twig, private Frame $frame, #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl, #[Autowire(env: 'resolve:LANTERN_FILES')] private string $filesDir)
    {
    }

    public function page(Visit $visit, Answer $answer, Request $request): Response
    {
        $place = $answer->place;
        if (400 === $answer->status) {
            return $this->response($visit, 400, 'bad_address.html.twig', ['reason' => $answer->trail[0]->why]);
        }
        if (403 === $answer->status) {
            return $this->response($visit, 403, 'not_for_you.html.twig', ['place' => $place]);
        }
        if (200 !== $answer->status || null === $place) {
            return $this->response($visit, $answer->status, 'nothing_here.html.twig', [
                'gone' => 410 === $answer->status,
                'words' => str_replace('-', ' ', $answer->address?->slug() ?? ''),
                'categories' => $visit->copy->shop->below(null, $visit->visitor, PlaceKind::Category),
            ]);
        }

        return $this->placePage($visit, $place, $request);
    }

    public function signIn(Visit $visit): Response
    {
        return $this->response($visit, 200, 'sign_in.html.twig', [], cacheable: false);
    }

    private function placePage(Visit $visit, Place $place, Request $request): Response
    {
        $shop = $visit->copy->shop;
        $visitor = $visit->visitor;
        $details = $shop->details($place->id);
        if (null !== $details->file) {
            return $this->file($place, $details->file, $details->downloadName);
        }
        $after = $request->query->getString('after');
        $after = Uuid::isValid($after) ? $after : null;
        $categories = PlaceKind::Product === $place->kind ? $shop->categoriesOf($place->id, $visitor) : [];
        $narrowing = $place->kind->canBeNarrowed() ? Narrowing::fromQuery($request->query->all()) : new Narrowing();
        [$template, $data] = match ($place->kind) {
            PlaceKind::FrontPage => ['front.html.twig', [
                'categories' => $shop->below(null, $visitor, PlaceKind::Category),
                'newest' => $shop->newest($visitor, ShopReader::NEWEST_IN_FRONT),
                'articles' => $shop->articles($visitor, ShopReader::ARTICLES_IN_FRONT),
            ]],
            PlaceKind::Category => ['products.html.twig', $this->products($shop->productsOfCategory($place->id, $visitor, $after, $narrowing)) + [
                'children' => $shop->below($place->id, $visitor, PlaceKind::Category),
            ]],
            PlaceKind::Collection => ['products.html.twig', $this->products($shop->productsOfCollection($place->id, $details->rule, $visitor, $after, $narrowing)) + ['children' => []]],
            PlaceKind::AllProducts => ['products.html.twig', $this->products($shop->allProducts($visitor, $after, $narrowing)) + ['children' => $shop->below(null, $visitor, PlaceKind::Category)]],
            PlaceKind::AllCollections => ['list.html.twig', ['cards' => $shop->below(null, $visitor, PlaceKind::Collection)]],
            PlaceKind::PageGroup => ['list.html.twig', ['cards' => $shop->below($place->id, $visitor, PlaceKind::Page)]],
            PlaceKind::Journal => ['list.html.twig', ['cards' => $shop->articles($visitor, 100)]],
            PlaceKind::Product => ['product.html.twig', ['product' => $shop->product($place), 'categories' => $categories]],
            PlaceKind::Search => ['search.html.twig', [
                'words' => $words = mb_substr(trim($request->query->getString('q')), 0, 100),
                'cards' => $shop->search($words, $visitor),
            ]],
            default => ['text.html.twig', []],
        };

        return $this->response($visit, 200, $template, $data + [
            'place' => $place,
            'narrowing' => $narrowing,
            'details' => $details,
            'html' => $details->words->shown($shop->destinations($details->words->placeIds()), $shop->settings(), $visit->prefix),
            'trail' => $this->breadcrumb($visit, $place, $categories),
        ]);
    }

    /** @param array{stored: string, type: string, size: int} $file */
    private function file(Place $place, array $file, string $downloadName): Response
    {
        $response = new BinaryFileResponse($this->filesDir.'/'.$file['stored'], 200, ['Content-Type' => $file['type']], public: true, autoEtag: true);
        $name = '' === $downloadName ? $place->address->slug() : $downloadName;
        $response->setContentDisposition(
            Serving::Download === $place->serving ? ResponseHeaderBag::DISPOSITION_ATTACHMENT : ResponseHeaderBag::DISPOSITION_INLINE,
            $name,
            (string) preg_replace('/[^\x20-\x7E]|[%\/\\\\]/', '-', $name),
        );
        if (!$place->listing->listed) {
            $response->headers->set('X-Robots-Tag', 'noindex');
        }

        return $response;
    }

    /**
     * @param list<Card> $cards one more than a page where there is a next one
     *
     * @return array{cards: list<Card>, next: string|null}
     */
    private function products(array $cards): array
    {
        $page = \array_slice($cards, 0, ShopReader::PAGE);

        return ['cards' => $page, 'next' => \count($cards) > ShopReader::PAGE ? $page[ShopReader::PAGE - 1]->place->id : null];
    }

    /**
     * What stands above a place, the front page first. A product hangs below its deepest shown category.
     *
     * @param list<Card> $categories
     *
     * @return list<array{title: string, href: string|null}> words only where the place above does not open
     */
    private function breadcrumb(Visit $visit, Place $place, array $categories): array
    {
        if (PlaceKind::FrontPage === $place->kind) {
            return [];
        }
        $places = $visit->copy->places;
        $above = match ($place->kind) {
            PlaceKind::Product => [] === $categories ? [$places->fixed(PlaceKind::AllProducts)] : [$categories[0]->place, ...$places->above($categories[0]->place)],
            PlaceKind::Collection => [$places->fixed(PlaceKind::AllCollections)],
            default => null === $place->parentId ? [] : $places->above($place),
        };

        return array_map(static fn (Place $one): array => [
            'title' => $one->title,
            'href' => $one->opensFor($visit->visitor) ? $visit->prefix.$one->address->encoded() : null,
        ], array_reverse(array_values(array_filter([...$above, $places->fixed(PlaceKind::FrontPage)]))));
    }

    /** @param array<string, mixed> $data */
    private function response(Visit $visit, int $status, string $template, array $data, bool $cacheable = true): Response
    {
        $place = ($data['place'] ?? null) instanceof Place ? $data['place'] : null;
        $body = $this->twig->render("storefront/$template", $data + [
            'place' => null,
            'visit' => $visit,
            'status' => $status,
            'frame' => $visit->isLive() ? $this->frame->live($visit->copy, $visit->visitor) : $this->frame->of($visit->copy, $visit->visitor),
            'shop' => $visit->copy->shop->settings(),
            'origin' => $this->storefrontUrl,
            'trail' => [],
        ]);
        $response = new Response($body, $status, ['Content-Type' => 'text/html; charset=UTF-8', 'Vary' => 'Cookie']);
        if (200 === $status && $cacheable) {
            $response->setEtag(hash('xxh128', $body));
            $response->headers->set('Cache-Control', 'public, no-cache');
        } else {
            $response->headers->set('Cache-Control', 'no-store');
        }
        if (false === $place?->listing->listed) {
            $response->headers->set('X-Robots-Tag', 'noindex');
        }

        return $response;
    }
}
