<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\DoneView;
use Lantern\Admin\Http\IfMatch;
use Lantern\Core\Impact\Relative;
use Lantern\Core\Impact\VisitorForwarding;
use Lantern\Core\NotThere;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Relatives\RelativeReader;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Findings\FindingsPreview;
use Lantern\Workbench\Places\PlaceRemover;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The end of a place, and where its visitors go. */
#[AsController]
final readonly class Removals
{
    public function __construct(
        private Api $api,
        private PlaceRemover $remover,
        private RelativeReader $relatives,
        private PlaceViews $views,
        private Copies $copies,
        private FindingsPreview $foresight,
    ) {
    }

    #[Route('/api/places/{id}/relatives', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/{id}/relatives',
        summary: 'Where the visitors of a place could go, should it be no more',
        responses: [new OA\Response(response: 200, description: 'Nearest first', content: new OA\JsonContent(ref: RelativesView::class))],
    )]
    public function relatives(string $id): Response
    {
        $place = $this->copies->workbench->places->get($id) ?? throw NotThere::place();

        return $this->api->json(new RelativesView(array_map(
            fn (Relative $one): RelativeView => new RelativeView($this->views->brief($one->place), $one->words()),
            $this->relatives->of($place),
        )));
    }

    #[Route('/api/places/{id}/removal-plan', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/places/{id}/removal-plan',
        summary: 'What it would do to remove a place',
        responses: [new OA\Response(response: 200, description: 'What it touches', content: new OA\JsonContent(ref: TouchesView::class))],
    )]
    public function plan(string $id, #[Body] OnwardInput $input, #[CurrentUser] Account $account): Response
    {
        $onward = $this->onward($input);
        $removal = $this->remover->plan($id, $onward);
        $found = $this->foresight->of(fn () => $this->remover->remove($id, null, $onward, $account->actor()));

        return $this->api->json(new TouchesView(array_map(TouchView::of(...), [...$removal->touches, ...$found])));
    }

    #[Route('/api/places/{id}/removal', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/places/{id}/removal',
        summary: 'Removes a place, and leads its visitors on',
        responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))],
    )]
    public function remove(string $id, #[Body] OnwardInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->api->edited(
            fn (): Edit => $this->remover->remove($id, $version, $this->onward($input), $account->actor()),
            fn (): PlaceSheet => $this->views->sheet($id),
        );
    }

    private function onward(OnwardInput $input): VisitorForwarding
    {
        return match ($input->answer) {
            ClosedAnswer::Elsewhere => VisitorForwarding::to($this->copies->workbench->places->get($input->to ?? throw new Refused(
                'to',
                'Choose the place that visitors are led to.',
            )) ?? throw NotThere::place()),
            ClosedAnswer::Gone => VisitorForwarding::gone(),
            ClosedAnswer::NotFound => VisitorForwarding::notFound(),
        };
    }
}
