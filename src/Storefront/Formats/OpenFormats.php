<?php

declare(strict_types=1);

namespace Lantern\Storefront\Formats;

use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Piece\ResolvedLayout;
use Lantern\Interchange\Json\Navigation;
use Lantern\Interchange\Sitemap\Robots;
use Lantern\Interchange\Sitemap\Sitemap;
use Lantern\Node\News\Freshness;
use Lantern\Node\Pages\KeptPage;
use Lantern\Node\Pages\KeptPages;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Pieces\LaidOut;
use Lantern\Storefront\Frame\LooksStyles;
use Lantern\Storefront\Http\Caching;
use Lantern\Storefront\Http\Visit;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/** What the storefront tells other programs: the sitemap, the rules for robots, the menus. */
final readonly class OpenFormats
{
    /** Within a preview: the styles of looks that are only tried. */
    private const LOOKS = '/-/looks.css';

    public function __construct(
        private Frame $frame,
        private LooksStyles $looks,
        private KeptPages $kept,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    public function answer(Visit $visit, Request $request): ?Response
    {
        $path = SplitTarget::of($visit->target)->path;
        $response = match ($path) {
            '/sitemap.xml' => $this->sitemap($visit, $path, null),
            '/robots.txt' => new Response(Robots::of($this->storefrontUrl), 200, ['Content-Type' => 'text/plain; charset=UTF-8']),
            '/site.webmanifest' => $this->manifest($visit),
            self::LOOKS => $visit->preview
                ? new Response(
                    $this->looks->of(Looks::of(array_filter($request->query->all(), \is_string(...)))),
                    200,
                    ['Content-Type' => 'text/css; charset=UTF-8'],
                )
                : null,
            '/navigation.json' => $this->navigation($visit),
            '/favicon.ico' => new Response('', 308, ['Location' => '/-/pictures/icon.svg']),
            default => null === Sitemap::partAt($path) ? null : $this->sitemap($visit, $path, Sitemap::partAt($path)),
        };
        if (null === $response) {
            return null;
        }
        $response->setEtag(hash('xxh128', (string) $response->getContent()));
        $response->headers->set('Cache-Control', Caching::asked(null, $visit->visitor));
        $response->isNotModified($request);

        return $response;
    }

    /**
     * The whole sitemap, or its index, or a part of it. It is kept until something that it names comes, goes or moves.
     *
     * @param int|null $part null: what is at the address that robots are told
     */
    private function sitemap(Visit $visit, string $path, ?int $part): ?Response
    {
        $kept = $visit->isLive() ? $this->kept->get(false, $path) : null;
        $now = $visit->visitor->moment;
        if (true !== $kept?->isFresh($now)) {
            $xml = $this->sitemapMadeAnew($visit, $part);
            if (null === $xml) {
                return null;
            }
            $until = min($visit->copy->nextChange($now)->getTimestamp(), $now->getTimestamp() + Freshness::LONGEST);
            $kept = new KeptPage([], $xml, $until, $visit->begun, ['sitemap']);
            if ($visit->isLive()) {
                $this->kept->keep(false, $path, $kept);
            }
        }

        return new Response($kept->body, 200, ['Content-Type' => 'application/xml; charset=UTF-8']);
    }

    private function sitemapMadeAnew(Visit $visit, ?int $part): ?string
    {
        $places = $visit->copy->places;
        $parts = (int) ceil($places->countInSitemap($visit->visitor->moment) / Sitemap::MOST);

        return match (true) {
            null === $part && $parts > 1 => Sitemap::index($parts, $this->storefrontUrl),
            null !== $part && ($part > $parts || 1 === $parts) => null,
            default => Sitemap::of($places->inSitemap($visit->visitor->moment, $part ?? 1, Sitemap::MOST), $this->storefrontUrl),
        };
    }

    /** How the shop is called and coloured where it is put among the programs of a device (W3C, Web Application Manifest). */
    private function manifest(Visit $visit): Response
    {
        $settings = $visit->copy->settings->all();
        $looks = $settings->looks();

        return new Response(json_encode([
            'name' => $settings->name(),
            'start_url' => '/',
            'display' => 'browser',
            'theme_color' => $looks->ground->hex(),
            'background_color' => $looks->ground->hex(),
            'icons' => [['src' => '/-/pictures/icon.svg', 'type' => 'image/svg+xml', 'sizes' => 'any']],
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE), 200, ['Content-Type' => 'application/manifest+json']);
    }

    private function navigation(Visit $visit): Response
    {
        $frame = $visit->isLive() ? $this->frame->kept($visit->copy, $visit->visitor) : $this->frame->of($visit->copy, $visit->visitor);

        $panels = $visit->isLive()
            ? $this->frame->keptPanels($visit->copy, $visit->visitor)
            : $this->frame->panels($visit->copy, $visit->visitor);

        $columns = $visit->isLive()
            ? $this->frame->keptColumns($visit->copy, $visit->visitor)
            : $this->frame->columns($visit->copy, $visit->visitor);

        return new Response(json_encode(
            Navigation::of(
                $frame,
                ...array_map(
                    static fn (array $all): array => array_map(static fn (LaidOut $one): ResolvedLayout => $one->layout, $all),
                    [$panels, $columns],
                ),
            ),
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_PRETTY_PRINT,
        ), 200, [
            'Content-Type' => 'application/json',
            'Vary' => 'Cookie',
        ]);
    }
}
