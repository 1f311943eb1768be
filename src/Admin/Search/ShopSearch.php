<?php

declare(strict_types=1);

namespace Lantern\Admin\Search;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\IfMatch;
use Lantern\Admin\Place\PlaceViews;
use Lantern\Core\Search\SearchWord;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Search\MissedSearch;
use Lantern\Reading\Search\MissedSearches;
use Lantern\Workbench\Search\SearchWordEditor;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The search of the shop. */
#[AsController]
final readonly class ShopSearch
{
    public function __construct(
        private Api $api,
        private Copies $copies,
        private MissedSearches $missed,
        private PlaceViews $places,
        private SearchWordEditor $editor,
    ) {
    }

    #[Route('/api/search', methods: ['GET'])]
    #[OA\Get(
        path: '/api/search',
        summary: 'Words that lead somewhere at once, and what was looked for and not found',
        responses: [new OA\Response(response: 200, description: 'Words', content: new OA\JsonContent(ref: SearchView::class))],
    )]
    public function search(): Response
    {
        return $this->api->json($this->view());
    }

    #[Route('/api/search/words', methods: ['PUT'])]
    #[OA\Put(
        path: '/api/search/words',
        summary: 'Leads words to a place at once, or lets them be looked for again',
        responses: [new OA\Response(response: 200, description: 'Words', content: new OA\JsonContent(ref: SearchView::class))],
    )]
    public function lead(#[Body] SearchWordInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->api->changed(
            fn () => $this->editor->lead($input->words, $input->placeId, $version, $account->actor()),
            $this->view(...),
        );
    }

    private function view(): SearchView
    {
        $workbench = $this->copies->workbench;
        $settings = $workbench->settings->all()->values;
        $words = SearchWord::all($settings);
        $places = $workbench->places->byIds(array_values(array_unique($words)));

        return new SearchView(
            SearchWordEditor::version($settings),
            array_map(
                fn (string $one, string $id): SearchWordView => new SearchWordView(
                    $one,
                    isset($places[$id]) ? $this->places->brief($places[$id]) : null,
                ),
                array_map(strval(...), array_keys($words)),
                $words,
            ),
            array_map(
                fn (MissedSearch $one): MissedSearchView => new MissedSearchView(
                    $one->words,
                    $one->times,
                    $one->lastDay,
                    null === $one->suggested ? null : $this->places->brief($one->suggested),
                ),
                $this->missed->all(array_map(strval(...), array_keys($words))),
            ),
            MissedSearches::DAYS,
        );
    }
}
