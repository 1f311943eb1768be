<?php

declare(strict_types=1);

namespace Lantern\Storefront\Basket;

use Lantern\Core\Address\SplitTarget;
use Lantern\Reading\Catalogue\Card;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Pages\Pages;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Uid\Uuid;

/**
 * A small stand-in for the shop's order system: what a visitor put into the basket stands in a cookie of the
 * visitor's own, and nothing is sold. The cookie can be read by the page, so that the header counts without a page of its own
 * for everybody.
 */
final readonly class BasketPage
{
    public const COOKIE = 'basket';
    private const MOST_THINGS = 50;
    private const MOST_OF_ONE = 99;

    public function __construct(private Pages $pages)
    {
    }

    public function answer(Visit $visit, Request $request): ?Response
    {
        if ('/basket' !== SplitTarget::of($visit->target)->path) {
            return null;
        }
        $basket = self::read($request);
        if ($request->isMethod('POST') && !$visit->preview) {
            // Browsers say where a form was sent from; another site's form is not taken.
            if (!\in_array($request->headers->get('Sec-Fetch-Site', 'same-origin'), ['same-origin', 'none'], true)) {
                return new Response('Open this shop and try again.', 403, ['Content-Type' => 'text/plain']);
            }
            $response = new Response('', 303, ['Location' => '/basket', 'Cache-Control' => 'no-store']);
            $response->headers->setCookie(self::cookie($this->changed($visit, $request, $basket), $request));

            return $response;
        }
        $cards = $visit->copy->shop->cardsOf(array_map(strval(...), array_keys($basket)), $visit->visitor);

        return $this->pages->basket($visit, array_values(array_filter(array_map(
            static fn (string $id, int $number): ?array => isset($cards[$id]->product) && $cards[$id]->place->opensFor($visit->visitor)
                ? ['card' => $cards[$id], 'number' => $number]
                : null,
            array_map(strval(...), array_keys($basket)),
            $basket,
        ))));
    }

    /**
     * @param array<string, int> $basket
     *
     * @return array<string, int> how many of each product, by id
     */
    private function changed(Visit $visit, Request $request, array $basket): array
    {
        $in = $request->request->getString('in');
        $out = $request->request->getString('out');
        unset($basket[$out]);
        $card = Uuid::isValid($in) ? $visit->copy->shop->cardsOf([$in], $visit->visitor)[$in] ?? null : null;
        if ($card instanceof Card && null !== $card->product && $card->product->stock > 0 && $card->place->opensFor($visit->visitor)) {
            $basket[$in] = min(self::MOST_OF_ONE, ($basket[$in] ?? 0) + 1);
        }

        return \array_slice($basket, 0, self::MOST_THINGS, true);
    }

    /** @return array<string, int> how many of each product, by id; what is no basket is an empty one */
    private static function read(Request $request): array
    {
        $basket = [];
        $written = $request->cookies->all()[self::COOKIE] ?? '';
        foreach (\is_string($written) ? \array_slice(explode('.', $written), 0, self::MOST_THINGS) : [] as $thing) {
            [$id, $number] = explode('*', $thing, 2) + ['', ''];
            if (Uuid::isValid($id) && 1 === preg_match('/^[1-9]\d?$/D', $number)) {
                $basket[$id] = (int) $number;
            }
        }

        return $basket;
    }

    /** @param array<string, int> $basket */
    private static function cookie(array $basket, Request $request): Cookie
    {
        return Cookie::create(self::COOKIE)
            ->withValue(implode(
                '.',
                array_map(
                    static fn (string $id, int $number): string => "$id*$number",
                    array_map(strval(...), array_keys($basket)),
                    $basket,
                ),
            ))
            ->withRaw()
                ->withHttpOnly(false)
                ->withSecure($request->isSecure())
                ->withSameSite(Cookie::SAMESITE_LAX)
                ->withExpires([] === $basket ? 1 : new \DateTimeImmutable('+30 days'));
    }
}
