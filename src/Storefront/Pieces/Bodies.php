<?php

declare(strict_types=1);

namespace Lantern\Storefront\Pieces;

use Lantern\Core\Place\Place;
use Lantern\Storefront\Http\Visit;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;
use Twig\Environment;

/**
 * The bodies of pages that are laid out. Each is made once for every release and every change of the goods: no whole page is
 * kept for an address with a query, and every campaign adds one.
 */
final readonly class Bodies
{
    public function __construct(private Environment $twig, #[Autowire(service: 'cache.resolved')] private CacheInterface $cache)
    {
    }

    /** @return ShownBody|null null where the page has only words */
    public function shown(Visit $visit, Place $place): ?ShownBody
    {
        $body = $place->kind->hasWords() ? ($visit->isLive() ? $this->kept($visit, $place) : $this->made($visit, $place)) : null;
        array_map($visit->shown->place(...), $body->placeIds ?? []);
        array_map($visit->shown->list(...), $body->lists ?? []);

        return $body;
    }

    private function kept(Visit $visit, Place $place): ?ShownBody
    {
        $audience = $visit->visitor->signedIn ? 'customer' : 'guest';

        return $this->cache->get("body.{$place->id}.{$visit->copy->contentVersion()}.$audience", function (ItemInterface $item) use (
            $visit,
            $place,
        ): ?ShownBody {
            $item->expiresAt($visit->copy->keptUntil($visit->visitor->moment));

            return $this->made($visit, $place);
        });
    }

    private function made(Visit $visit, Place $place): ?ShownBody
    {
        $laidOut = $visit->copy->layouts->ofPage($place->id, $visit->visitor);
        if (null === $laidOut) {
            return null;
        }
        $layout = Layouts::shown($visit, $laidOut);

        return new ShownBody(
            $this->twig->render('storefront/body.html.twig', ['visit' => $visit, 'body' => $layout]),
            LayoutStyles::of([$layout]),
            [...$laidOut->layout->placeIds(), ...$laidOut->inWords()],
            $laidOut->lists,
        );
    }
}
