<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\ApiDescription;
use Lantern\Admin\PlaceViews;
use Lantern\Admin\View\AnswersView;
use Lantern\Admin\View\AnswerView;
use Lantern\Admin\View\PreviewView;
use Lantern\Admin\View\SeenView;
use Lantern\Admin\View\SessionView;
use Lantern\Admin\View\StepView;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Step;
use Lantern\Core\Impact\Seen;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use Lantern\Interchange\PreviewToken;
use Lantern\Persistence\Copies;
use Lantern\Persistence\CopyName;
use Lantern\Persistence\Frame;
use Lantern\Persistence\OwnAddresses;
use Lantern\Persistence\TriedAddresses;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Uid\Uuid;

/** Who is looking, and what visitors see. */
#[AsController]
final readonly class Looks
{
    private const MOST_ANSWERS = 1000;

    public function __construct(
        private Api $api,
        private Copies $copies,
        private PlaceViews $places,
        private Frame $frame,
        private ClockInterface $clock,
        private OwnAddresses $own,
        private ApiDescription $description,
        #[Autowire(env: 'APP_SECRET')] private string $secret,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    #[Route('/api/openapi.json', methods: ['GET'])]
    public function description(): Response
    {
        return new Response($this->description->json(), 200, ['Content-Type' => 'application/json']);
    }

    #[Route('/api/session', methods: ['GET'])]
    #[OA\Get(path: '/api/session', summary: 'Who is signed in', responses: [new OA\Response(response: 200, description: 'The person', content: new OA\JsonContent(ref: SessionView::class))])]
    public function session(#[CurrentUser] Account $account): Response
    {
        $person = $account->person;

        return $this->api->json(new SessionView($person->name, $person->role, 'viewer' !== $person->role, $this->copies->workbench->shop->settings()['name'] ?? '', $this->storefrontUrl));
    }

    #[Route('/api/previews', methods: ['POST'])]
    #[OA\Post(path: '/api/previews', summary: 'Opens the shop for a look from the workbench or live', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
        new OA\Property(property: 'copy', type: 'string', enum: ['workbench', 'live']),
        new OA\Property(property: 'audience', type: 'string', enum: ['guest', 'customer']),
        new OA\Property(property: 'at', type: 'string', format: 'date-time', nullable: true),
    ])), responses: [new OA\Response(response: 200, description: 'The preview', content: new OA\JsonContent(ref: PreviewView::class))])]
    public function preview(Request $request): Response
    {
        $body = $this->api->body($request);
        $expires = $this->clock->now()->modify('+2 hours');
        $token = new PreviewToken($body->choice('copy', CopyName::class, CopyName::Workbench), 'customer' === $body->text('audience', 'guest'), $body->moment('at'), $expires);

        return $this->api->json(new PreviewView($this->storefrontUrl.$token->prefix($this->secret), $expires->format(\DATE_ATOM)));
    }

    #[Route('/api/seen', methods: ['GET'])]
    #[OA\Get(path: '/api/seen', summary: 'What a visitor at a moment sees otherwise than a guest does now, in words', parameters: [
        new OA\Parameter(name: 'audience', in: 'query', schema: new OA\Schema(type: 'string', enum: ['guest', 'customer'])),
        new OA\Parameter(name: 'at', in: 'query', schema: new OA\Schema(type: 'string', format: 'date-time')),
        new OA\Parameter(name: 'place', in: 'query', description: 'Id of the place that is looked at', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The differences', content: new OA\JsonContent(ref: SeenView::class))])]
    public function seen(Request $request): Response
    {
        $workbench = $this->copies->workbench;
        [$now, $then] = [Visitor::guest($this->clock->now()), $this->api->visitor($request)];
        $names = $workbench->menus->names();
        $other = $this->frame->of($workbench, $then);
        $menus = [];
        foreach ($this->frame->of($workbench, $now) as $bay => $hung) {
            if (null !== $hung->bay->menuId) {
                $menus[$names[$hung->bay->menuId]] = [$hung->menu, $other[$bay]->menu];
            }
        }
        $id = $request->query->getString('place');

        return $this->api->json(new SeenView(Seen::differences(Uuid::isValid($id) ? $workbench->places->get($id) : null, $menus, $now, $then)));
    }

    #[Route('/api/answers', methods: ['POST'])]
    #[OA\Post(path: '/api/answers', summary: 'What a visitor gets at each of these addresses, step by step', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['addresses'], properties: [
        new OA\Property(property: 'addresses', type: 'array', maxItems: self::MOST_ANSWERS, description: 'As somebody would type them, with or without the domain of the shop', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'copy', type: 'string', enum: ['workbench', 'live']),
        new OA\Property(property: 'audience', type: 'string', enum: ['guest', 'customer']),
        new OA\Property(property: 'at', type: 'string', format: 'date-time', nullable: true),
    ])), responses: [new OA\Response(response: 200, description: 'The answers, in the same order', content: new OA\JsonContent(ref: AnswersView::class))])]
    public function answers(Request $request): Response
    {
        $body = $this->api->body($request);
        $typed = $body->textsOr('addresses', []);
        if ([] === $typed || \count($typed) > self::MOST_ANSWERS) {
            throw new Refused('addresses', \sprintf('Try from 1 to %d addresses at once.', self::MOST_ANSWERS));
        }
        $copy = $this->copies->get($body->choice('copy', CopyName::class, CopyName::Workbench));
        $visitor = new Visitor('customer' === $body->text('audience', 'guest'), $body->moment('at') ?? $this->clock->now());

        return $this->api->json(new AnswersView(array_map(
            fn (Answer $answer): AnswerView => $this->answerView($answer),
            (new TriedAddresses($copy, $this->own))->answers($typed, $visitor),
        )));
    }

    private function answerView(Answer $answer): AnswerView
    {
        return new AnswerView(
            $answer->status,
            $answer->address?->path,
            $answer->location,
            array_map(static fn (Step $step): StepView => new StepView($step->from, $step->why, $step->to), $answer->trail),
            null === $answer->place ? null : $this->places->brief($answer->place),
        );
    }
}
