<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Address\Query;
use Lantern\Interchange\Navigation;
use Lantern\Interchange\Robots;
use Lantern\Interchange\Sitemap;
use Lantern\Persistence\Frame;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/** What the storefront tells other programs: the sitemap, the rules for robots, the menus. */
final readonly class OpenFormats
{
    public function __construct(private Frame $frame, #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl)
    {
    }

    public function answer(Visit $visit, Request $request): ?Response
    {
        $response = match (Query::split($visit->target)[0]) {
            '/sitemap.xml' => new Response(Sitemap::of($visit->copy->places->forSitemap(), $visit->visitor->moment, $this->storefrontUrl), 200, ['Content-Type' => 'application/xml; charset=UTF-8']),
            '/robots.txt' => new Response(Robots::of($this->storefrontUrl), 200, ['Content-Type' => 'text/plain; charset=UTF-8']),
            '/navigation.json' => $this->navigation($visit),
            '/favicon.ico' => new Response('', 308, ['Location' => '/-/pictures/icon.svg']),
            default => null,
        };
        if (null === $response) {
            return null;
        }
        $response->setEtag(hash('xxh128', (string) $response->getContent()));
        $response->headers->set('Cache-Control', 'public, no-cache');
        $response->isNotModified($request);

        return $response;
    }

    private function navigation(Visit $visit): Response
    {
        $frame = $visit->isLive() ? $this->frame->live($visit->copy, $visit->visitor) : $this->frame->of($visit->copy, $visit->visitor);

        return new Response(json_encode(Navigation::of($frame), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_PRETTY_PRINT), 200, [
            'Content-Type' => 'application/json',
            'Vary' => 'Cookie',
        ]);
    }
}
