<?php

declare(strict_types=1);

namespace Lantern\Storefront\Pages;

use Lantern\Core\Answer\Answer;
use Lantern\Core\Filter\UnderstoodFields;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Revision;
use Lantern\Core\Place\Serving;
use Lantern\Core\Place\StoredFile;
use Lantern\Reading\Catalogue\Card;
use Lantern\Reading\Catalogue\ShopReader;
use Lantern\Reading\Places\PlaceDetails;
use Lantern\Storefront\Frame\Surroundings;
use Lantern\Storefront\Http\Caching;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Listing\Listings;
use Lantern\Storefront\Listing\ShownListing;
use Lantern\Storefront\Pieces\Bodies;
use Lantern\Storefront\Pieces\LayoutStyles;
use Lantern\Storefront\Pieces\ShownBody;
use Lantern\Storefront\Search\Searches;
use Psr\Log\LoggerInterface;
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
    public function __construct(
        private Environment $twig,
        private Surroundings $surroundings,
        private Bodies $bodies,
        private Searches $searches,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
        private LoggerInterface $logger,
        #[Autowire(env: 'resolve:LANTERN_FILES')] private string $filesDir,
    ) {
    }

    public function page(Visit $visit, Answer $answer, Request $request): Response
    {
        $place = $answer->place;
        if (400 === $answer->status) {
            return $this->response($visit, 400, 'bad_address.html.twig', ['reason' => $answer->trail[0]->words()]);
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

    /** @param bool $standIn whether the one customer that can sign in here is made up */
    public function signIn(Visit $visit, bool $standIn): Response
    {
        return $this->response($visit, 200, 'sign_in.html.twig', ['standIn' => $standIn], cacheable: false);
    }

    /** @param array<string, mixed> $data which step, and what that needs */
    public function signUp(Visit $visit, array $data, int $status = 200): Response
    {
        $response = $this->response($visit, $status, 'sign_up.html.twig', $data, cacheable: false);
        $response->headers->set('X-Robots-Tag', 'noindex');

        return $response;
    }

    /** @param list<array{card: Card, number: int}> $things */
    public function basket(Visit $visit, array $things): Response
    {
        return $this->response($visit, 200, 'basket.html.twig', ['things' => $things], cacheable: false);
    }

    private function placePage(Visit $visit, Place $place, Request $request): Response
    {
        $shop = $visit->copy->shop;
        $leads = PlaceKind::Search === $place->kind ? $this->searches->leads($visit) : null;
        if (null !== $leads) {
            return $leads;
        }
        $details = $shop->details($place->id);
        if (null !== $details->file) {
            return $this->file($visit, $place, $details->file, $details->downloadName);
        }
        [$template, $data] = $this->contents($visit, $place, $details, $request);

        return $this->response($visit, 200, $template, $data);
    }

    /**
     * What stands on the page of a place.
     *
     * @return array{
     *     string,
     *     array{place: Place, details: PlaceDetails, body: ShownBody|null, trail: list<array{title: string, href: string|null}>, ...},
     * } a template, and what it is given
     */
    private function contents(Visit $visit, Place $place, PlaceDetails $details, Request $request): array
    {
        $shop = $visit->copy->shop;
        $visitor = $visit->visitor;
        $after = $request->query->all()['after'] ?? null;
        $after = \is_string($after) && Uuid::isValid($after) ? $after : null;
        $categories = PlaceKind::Product === $place->kind ? $shop->categoriesOf($place->id, $visitor) : [];
        $body = $this->bodies->shown($visit, $place);
        [$template, $data] = match ($place->kind) {
            PlaceKind::FrontPage => ['front.html.twig', null !== $body ? [] : [
                'categories' => $shop->below(null, $visitor, PlaceKind::Category),
                'newest' => $shop->newest($visitor, ShopReader::NEWEST_IN_FRONT),
                'articles' => $shop->articles($visitor, ShopReader::ARTICLES_IN_FRONT),
            ]],
            PlaceKind::Category, PlaceKind::Collection, PlaceKind::AllProducts => [
                'products.html.twig',
                self::products($visit, $place, $details),
            ],
            PlaceKind::AllCollections => [
                'list.html.twig',
                self::part($shop->pageBelow(null, $visitor, PlaceKind::Collection, $after), ShopReader::CARDS),
            ],
            PlaceKind::PageGroup => [
                'list.html.twig',
                self::part($shop->pageBelow($place->id, $visitor, PlaceKind::Page, $after), ShopReader::CARDS),
            ],
            PlaceKind::Journal => [
                'list.html.twig',
                self::part($shop->articles($visitor, ShopReader::CARDS + 1, $after), ShopReader::CARDS),
            ],
            PlaceKind::Product => ['product.html.twig', ['product' => $shop->product($place), 'categories' => $categories]],
            PlaceKind::Search => ['search.html.twig', $this->searches->found($visit, $place, $request)],
            default => ['text.html.twig', []],
        };

        $trail = $this->trail($visit, $place);
        $this->note($visit, $place, $details->words->placeIds(), $trail, $data);

        return [$template, $data + [
            'place' => $place,
            'details' => $details,
            // Each page of a long list is one of its own.
            'canonical' => ($data['listing'] ?? null) instanceof ShownListing
                ? $data['listing']->canonical()
                : (\array_key_exists('next', $data) && null !== $after ? '?after='.strtolower($after) : ''),
            'body' => $body,
            'html' => null !== $body
                ? ''
                : $details->words->shown(
                    $shop->destinations($details->words->placeIds()),
                    $visit->copy->settings->all()->values,
                    $visit->prefix,
                ),
            'trail' => array_map(static fn (Place $one): array => [
                'title' => $one->title,
                'href' => $one->opensFor($visit->visitor) ? $visit->prefix.$one->address->encoded() : null,
            ], $trail),
        ]];
    }

    /** @return array{children: list<Card>, listing: ShownListing} */
    private static function products(Visit $visit, Place $place, PlaceDetails $details): array
    {
        $children = PlaceKind::Collection === $place->kind
            ? []
            : $visit->copy->shop->below(PlaceKind::Category === $place->kind ? $place->id : null, $visit->visitor, PlaceKind::Category);

        return ['children' => $children, 'listing' => Listings::ofPlace($visit, $place, $details, $children)];
    }

    /**
     * @param list<string>         $inWords ids of places that the text leads to
     * @param list<Place>          $trail
     * @param array<string, mixed> $data
     */
    private function note(Visit $visit, Place $place, array $inWords, array $trail, array $data): void
    {
        $visit->shown->places([$place, ...$trail]);
        array_map($visit->shown->place(...), $inWords);
        foreach ([...$data, ($data['listing'] ?? null) instanceof ShownListing ? $data['listing']->cards : []] as $cards) {
            foreach (\is_array($cards) ? $cards : [] as $card) {
                if ($card instanceof Card) {
                    $visit->shown->place($card->place->id);
                }
            }
        }
        $lists = match ($place->kind) {
            PlaceKind::FrontPage => ['categories', 'products', 'articles'],
            // Only what is kept has to know what would make another of it.
            PlaceKind::Category => UnderstoodFields::anyIn($visit->query()) ? [] : $visit->copy->shop->categoriesWithin($place->id),
            PlaceKind::Collection, PlaceKind::AllProducts => ['products', 'facts', 'categories'],
            PlaceKind::AllCollections => ['collections'],
            PlaceKind::Journal => ['articles'],
            PlaceKind::Product => ['categories'],
            default => [$place->id],
        };
        array_map($visit->shown->list(...), $lists);
    }

    private function file(Visit $visit, Place $place, StoredFile $file, string $downloadName): Response
    {
        $path = $this->filesDir.'/'.$file->name;
        if (!is_file($path)) {
            // Such as after a database came back without its files: nobody's page breaks for it, and whoever runs the shop is told.
            $this->logger->error(
                'The bytes of {file} are not in LANTERN_FILES.',
                ['file' => $file->name, 'address' => $place->address->path],
            );

            return $this->response(
                $visit,
                404,
                'nothing_here.html.twig',
                [
                    'gone' => false,
                    'words' => str_replace('-', ' ', $place->address->slug()),
                    'categories' => $visit->copy->shop->below(null, $visit->visitor, PlaceKind::Category),
                ],
            );
        }
        $response = new BinaryFileResponse(
            $path,
            200,
            ['Content-Type' => $file->type->value],
            public: Caching::isForAll($place, $visit->visitor),
            autoEtag: true,
        );
        $name = strtr(
            mb_substr('' === $downloadName ? $place->address->slug() : $downloadName, 0, Revision::MAX_DOWNLOAD_NAME),
            '/\\',
            '--',
        );
        $response->setContentDisposition(
            Serving::Download === $place->serving ? ResponseHeaderBag::DISPOSITION_ATTACHMENT : ResponseHeaderBag::DISPOSITION_INLINE,
            $name,
            (string) preg_replace('/[^\x20-\x7E]|%/', '-', $name),
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
    private static function part(array $cards, int $most): array
    {
        $page = \array_slice($cards, 0, $most);

        return ['cards' => $page, 'next' => \count($cards) > $most ? $page[$most - 1]->place->id : null];
    }

    /**
     * What stands above a place, the front page first. A product hangs below its deepest category, in menus or not.
     *
     * @return list<Place>
     */
    private function trail(Visit $visit, Place $place): array
    {
        if (PlaceKind::FrontPage === $place->kind) {
            return [];
        }
        $places = $visit->copy->places;
        $above = match ($place->kind) {
            PlaceKind::Product => null === ($category = $visit->copy->shop->categoryAbove($place->id, $visit->visitor))
                ? [$places->fixed(PlaceKind::AllProducts), $places->fixed(PlaceKind::FrontPage)]
                : $places->trail($category),
            PlaceKind::Collection => [$places->fixed(PlaceKind::AllCollections), $places->fixed(PlaceKind::FrontPage)],
            default => $places->trail($place->parentId),
        };

        return array_reverse(array_values(array_filter($above)));
    }

    /** @param array<string, mixed> $data */
    private function response(Visit $visit, int $status, string $template, array $data, bool $cacheable = true): Response
    {
        $place = ($data['place'] ?? null) instanceof Place ? $data['place'] : null;
        $listing = ($data['listing'] ?? null) instanceof ShownListing ? $data['listing'] : null;
        $body = $data['body'] ?? null;
        $details = $data['details'] ?? null;
        /** @var list<array{title: string, href: string|null}> $trail */
        $trail = $data['trail'] ?? [];
        $frame = $this->surroundings->shown($visit)->markedFor($place?->id);
        $own = $body instanceof ShownBody ? $body->styles : '';
        $styles = $frame->styles.$own;
        $visit->shown->styles = '' === $own ? $frame->stylesHash : LayoutStyles::hash($styles);
        $body = $this->twig->render("storefront/$template", $data + [
            'place' => null,
            'visit' => $visit,
            'status' => $status,
            'frame' => $frame,
            'beside' => $frame->beside[match ($place?->kind) {
                PlaceKind::Page => $place->parentId, PlaceKind::PageGroup => $place->id, default => null,
            } ?? ''] ?? '',
            'structured' => $visit->isLive() && 200 === $status
                ? StructuredData::of(
                    $this->storefrontUrl,
                    $trail,
                    null === $place ? null : ['title' => $place->title, 'href' => $place->address->encoded()],
                    $frame->entries,
                )
                : '',
            'styles' => $styles,
            'summary' => $details instanceof PlaceDetails ? $details->summary : '',
            'body' => null,
            'tagline' => $frame->tagline,
            'narrowed' => null !== $listing && (!$listing->query->isPlain() || '' !== $listing->query->words),
            'canonical' => '',
            'origin' => $this->storefrontUrl,
            'trail' => [],
        ]);
        $response = new Response($body, $status, ['Content-Type' => 'text/html; charset=UTF-8', 'Vary' => 'Cookie']);
        if (200 === $status && $cacheable) {
            $response->setEtag(hash('xxh128', $body));
            $response->headers->set('Cache-Control', Caching::asked($place, $visit->visitor));
        } else {
            $response->headers->set('Cache-Control', 'no-store');
        }
        if (false === $place?->listing->listed) {
            $response->headers->set('X-Robots-Tag', 'noindex');
        }

        return $response;
    }
}
