<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\Costly;
use Lantern\Admin\Http\Disposition;
use Lantern\Admin\Http\Limited;
use Lantern\Core\NotThere;
use Lantern\Core\Outline\OutlineLine;
use Lantern\Core\Outline\PastedOutline;
use Lantern\Core\Refused;
use Lantern\Interchange\Json\MenuJson;
use Lantern\Interchange\Opml\Opml;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Outlines\OutlineMatcher;
use Lantern\Reading\Outlines\OutlineWriter;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;

/** Whole menus in and out: as indented lines, OPML 2.0, or JSON. */
#[AsController]
final readonly class Outlines
{
    public function __construct(
        private Api $api,
        private MenuViews $views,
        private PartsViews $parts,
        private OutlineMatcher $matcher,
        private OutlineWriter $writer,
        private Copies $copies,
        private ClockInterface $clock,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    #[Limited(Costly::Import)]
    #[Route('/api/outlines', methods: ['POST'])]
    #[OA\Post(
        path: '/api/outlines',
        summary: 'What the lines of a menu from elsewhere lead to; nothing is changed',
        responses: [new OA\Response(response: 200, description: 'The lines', content: new OA\JsonContent(ref: OutlineView::class))],
    )]
    public function match(#[Body] OutlineInput $input): Response
    {
        $content = $input->content;
        $begins = ltrim($content, "\u{FEFF} \t\r\n");
        $lines = match (true) {
            str_starts_with($begins, '<') => Opml::read($begins),
            str_starts_with($begins, '{') => MenuJson::read($begins),
            default => PastedOutline::read($content),
        };
        // A file that says of some entries where they lead means headings by the others.
        $byWords = match (true) {
            str_starts_with($begins, '<') => [] === array_filter($lines, static fn (OutlineLine $line): bool => '' !== $line->lead),
            default => !str_starts_with($begins, '{'),
        };
        if ([] === $lines) {
            throw new Refused(
                'content',
                'There is nothing in it. Paste lines, each with the label of an entry; indent those that stand below another.',
            );
        }

        return $this->api->json($this->views->outline($this->matcher->match($lines, $byWords)));
    }

    #[Route('/api/menus/{id}/export.{format}', requirements: ['id' => Requirement::UUID, 'format' => 'txt|opml|json'], methods: ['GET'])]
    #[OA\Get(
        path: '/api/menus/{id}/export.{format}',
        summary: 'A menu as a file',
        responses: [new OA\Response(response: 200, description: 'The file')],
    )]
    public function export(string $id, string $format): Response
    {
        $name = $this->copies->workbench->menus->name($id) ?? throw NotThere::menu();
        $lines = $this->writer->lines($id, titles: 'json' !== $format);
        [$type, $content] = match ($format) {
            'opml' => ['text/x-opml; charset=UTF-8', Opml::write($name, array_map($this->withDomain(...), $lines), $this->clock->now())],
            'json' => ['application/json', MenuJson::write($name, $lines)],
            default => ['text/plain; charset=UTF-8', PastedOutline::write($lines)],
        };

        return new Response($content, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => Disposition::attachment($name, $format),
        ]);
    }

    #[Route('/api/menu.schema.json', methods: ['GET'])]
    #[OA\Get(
        path: '/api/menu.schema.json',
        summary: 'The JSON Schema of a menu',
        responses: [new OA\Response(response: 200, description: 'The schema')],
    )]
    public function schema(): Response
    {
        return new Response((string) file_get_contents(MenuJson::SCHEMA), 200, ['Content-Type' => 'application/schema+json']);
    }

    #[Route('/api/places/{id}/parts', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/{id}/parts',
        summary: 'What an entry can lead to within a place',
        responses: [new OA\Response(
            response: 200,
            description: 'Its parts, and what its products can be narrowed to',
            content: new OA\JsonContent(ref: PartsView::class),
        )],
    )]
    public function parts(string $id): Response
    {
        return $this->api->json($this->parts->of($id));
    }

    private function withDomain(OutlineLine $line): OutlineLine
    {
        return new OutlineLine(
            $line->number,
            $line->level,
            $line->label,
            str_starts_with($line->lead, '/') ? $this->storefrontUrl.$line->lead : $line->lead,
            $line->enabled,
        );
    }
}
