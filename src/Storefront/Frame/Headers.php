<?php

declare(strict_types=1);

namespace Lantern\Storefront\Frame;

use Lantern\Core\Menu\HungMenu;
use Lantern\Core\Shop\HeaderShape;
use Lantern\Reading\Frame\FittedHeader;
use Lantern\Storefront\Http\Visit;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;

/**
 * The header as it is made; where nobody chose at which width the drawer takes over, that is measured, once for each state of the frame.
 */
final readonly class Headers
{
    public function __construct(#[Autowire(service: 'cache.resolved')] private CacheInterface $cache)
    {
    }

    /** @param list<string> $panels ids of the entries that open a wide panel */
    public function shown(Visit $visit, ?HungMenu $header, array $panels): ShownHeader
    {
        $settings = $visit->copy->settings->all();
        $shape = HeaderShape::of($settings->values);
        $measured = static fn (): int => FittedHeader::of($settings, $header->menu->entries ?? [], $panels)->drawerBelow();
        $audience = $visit->visitor->signedIn ? 'customer' : 'guest';

        return new ShownHeader($shape, $shape->drawerBelow ?? $shape->takesOverBelow(match (true) {
            $visit->isLive() => $this->cache->get("header.{$visit->copy->frameVersion()}.$audience", static function (
                ItemInterface $item,
            ) use (
                $visit,
                $measured,
            ): int {
                $item->expiresAt($visit->copy->keptUntil($visit->visitor->moment));

                return $measured();
            }),
            default => $measured(),
        }));
    }
}
