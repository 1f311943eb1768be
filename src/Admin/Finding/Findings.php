<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\DoneView;
use Lantern\Admin\Http\QueryInput;
use Lantern\Admin\Job\JobView;
use Lantern\Admin\Place\PlaceViews;
use Lantern\Admin\Place\RelativesView;
use Lantern\Admin\Place\RelativeView;
use Lantern\Core\Finding\MendAnswer;
use Lantern\Core\NotThere;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Reading\Findings\FoundFinding;
use Lantern\Reading\Findings\MappedPlace;
use Lantern\Reading\Findings\ShopMap;
use Lantern\Reading\Findings\SuggestedPlace;
use Lantern\Reading\Findings\Suggestions;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Findings\LinkCheck;
use Lantern\Workbench\Findings\SetAsides;
use Lantern\Workbench\Mends\Mender;
use Lantern\Workbench\OutsideLinks\OutsideLinks;
use Lantern\Workbench\OutsideLinks\OutsideRound;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What is wrong in the shop, and the mends beside it. */
#[AsController]
final readonly class Findings
{
    private const ID = '[0-9a-f-]{20,36}';

    public function __construct(
        private Api $api,
        private LinkCheck $check,
        private FindingTable $table,
        private Mender $mender,
        private SetAsides $asides,
        private Suggestions $suggestions,
        private OutsideLinks $outside,
        private OutsideRound $round,
        private PlaceViews $places,
        private ShopMap $map,
    ) {
    }

    #[Route('/api/findings', methods: ['GET'])]
    #[OA\Get(
        path: '/api/findings',
        summary: 'What is wrong, the first of each kind',
        responses: [new OA\Response(response: 200, description: 'By what is wrong', content: new OA\JsonContent(ref: FindingsView::class))],
    )]
    public function findings(#[QueryInput] FindingsQuery $query = new FindingsQuery()): Response
    {
        $isOfNow = $this->check->catchUp();
        $walk = $this->table->lastWalk($query->stand());

        return $this->api->json(new FindingsView(
            OutlookView::of($this->table->outlook($isOfNow)),
            array_map(FindingViews::group(...), $this->table->groups($query->stand(), $query->q, 'yes' === $query->aside)),
            null === $walk ? null : new WalkView($walk->at->format(\DATE_ATOM), $walk->pages, $walk->links, $walk->faults),
        ));
    }

    #[Route('/api/findings/page', methods: ['GET'])]
    #[OA\Get(
        path: '/api/findings/page',
        summary: 'All findings of one kind, a page at a time',
        responses: [new OA\Response(
            response: 200,
            description: 'The most visited first',
            content: new OA\JsonContent(ref: FindingPage::class),
        )],
    )]
    public function page(#[QueryInput] FindingsQuery $query): Response
    {
        $found = $this->table->page(
            $query->stand(),
            $query->kind() ?? throw new NotThere('There is no such kind of finding.'),
            $query->q,
            'yes' === $query->aside,
            $query->after,
        );
        $page = \array_slice($found, 0, FindingTable::PAGE);

        return $this->api->json(new FindingPage(
            array_map(FindingViews::finding(...), $page),
            \count($found) > \count($page) ? $page[\count($page) - 1]->finding->id : null,
        ));
    }

    #[Route('/api/findings/outlook', methods: ['GET'])]
    #[OA\Get(
        path: '/api/findings/outlook',
        summary: 'How the shop stands, in numbers',
        responses: [new OA\Response(response: 200, description: 'Numbers', content: new OA\JsonContent(ref: OutlookView::class))],
    )]
    public function outlook(): Response
    {
        return $this->api->json(OutlookView::of($this->table->outlook($this->check->catchUp())));
    }

    #[Route('/api/findings/within/{id}', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/findings/within/{id}',
        summary: 'What is wrong within a menu, a page or a place',
        responses: [new OA\Response(response: 200, description: 'Findings', content: new OA\JsonContent(ref: FindingPage::class))],
    )]
    public function within(string $id): Response
    {
        $this->check->catchUp();
        $found = [];
        foreach ([...$this->table->within($id), ...$this->table->about([$id])] as $one) {
            $found[$one->finding->id] = FindingViews::finding($one);
        }

        return $this->api->json(new FindingPage(array_values($found), null));
    }

    #[Route('/api/findings/marks', methods: ['GET'])]
    #[OA\Get(
        path: '/api/findings/marks',
        summary: 'How many findings there are about some things, or within them',
        responses: [new OA\Response(response: 200, description: 'Numbers', content: new OA\JsonContent(ref: MarksView::class))],
    )]
    public function marks(#[QueryInput] MarksQuery $query = new MarksQuery()): Response
    {
        $this->check->catchUp();
        [$counts, $broken] = $this->table->counts($query->ids());

        return $this->api->json(new MarksView((object) $counts, (object) $broken));
    }

    #[Route('/api/findings/map', methods: ['GET'])]
    #[OA\Get(
        path: '/api/findings/map',
        summary: 'The picture of the shop by steps and visits',
        responses: [new OA\Response(response: 200, description: 'Places', content: new OA\JsonContent(ref: MapView::class))],
    )]
    public function map(): Response
    {
        return $this->api->json(new MapView(array_map(
            static fn (MappedPlace $one): MappedPlaceView => new MappedPlaceView(
                $one->place->id,
                $one->place->title,
                $one->place->address->path,
                $one->steps,
                $one->above,
                $one->visits,
                $one->wrong,
            ),
            $this->map->places(),
        )));
    }

    #[Route('/api/findings/mends', methods: ['POST'])]
    #[OA\Post(
        path: '/api/findings/mends',
        summary: 'Puts findings right, as one edit',
        responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))],
    )]
    public function mend(#[Body] MendInput $input, #[CurrentUser] Account $account): Response
    {
        $this->check->catchUp();

        return $this->api->edited(fn (): Edit => $this->mender->mend(
            $input->findings,
            $input->mend,
            MendAnswer::typed($input->mend->asks(), $input->to ?? $input->words),
            $account->actor(),
        ));
    }

    #[Route('/api/findings/{id}/targets', requirements: ['id' => self::ID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/findings/{id}/targets',
        summary: 'Where it could lead instead',
        responses: [new OA\Response(
            response: 200,
            description: 'The likeliest first',
            content: new OA\JsonContent(ref: RelativesView::class),
        )],
    )]
    public function targets(string $id): Response
    {
        return $this->api->json(new RelativesView(array_map(
            fn (SuggestedPlace $one): RelativeView => new RelativeView($this->places->brief($one->place), $one->why),
            $this->suggestions->of($this->one($id)->finding),
        )));
    }

    #[Route('/api/findings/{id}/aside', requirements: ['id' => self::ID], methods: ['PUT'])]
    #[OA\Put(
        path: '/api/findings/{id}/aside',
        summary: 'Sets a finding aside',
        responses: [new OA\Response(response: 200, description: 'The finding', content: new OA\JsonContent(ref: FindingView::class))],
    )]
    public function setAside(string $id, #[Body] SetAsideInput $input, #[CurrentUser] Account $account): Response
    {
        $this->asides->put($id, $input->reason, $input->until, $account->actor());

        return $this->api->json(FindingViews::finding($this->one($id)));
    }

    #[Route('/api/findings/{id}/aside', requirements: ['id' => self::ID], methods: ['DELETE'])]
    #[OA\Delete(
        path: '/api/findings/{id}/aside',
        summary: 'Takes a finding up again',
        responses: [new OA\Response(response: 200, description: 'The finding', content: new OA\JsonContent(ref: FindingView::class))],
    )]
    public function takeUp(string $id): Response
    {
        $this->asides->takeBack($id);

        return $this->api->json(FindingViews::finding($this->one($id)));
    }

    #[Route('/api/findings/outside', methods: ['POST'])]
    #[OA\Post(
        path: '/api/findings/outside',
        summary: 'Asks all other web sites that something leads to',
        responses: [new OA\Response(response: 202, description: 'A job that asks', content: new OA\JsonContent(ref: JobView::class))],
    )]
    public function outside(#[CurrentUser] Account $account): Response
    {
        $job = $this->api->together(function () use ($account) {
            $this->outside->askAllAgain();

            return $this->round->begin($account->actor());
        });

        return new JsonResponse(JobView::of($job), Response::HTTP_ACCEPTED);
    }

    private function one(string $id): FoundFinding
    {
        return $this->table->one($id) ?? throw new NotThere('This finding is no longer there. It may be mended by now.');
    }
}
