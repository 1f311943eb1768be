<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\Costly;
use Lantern\Admin\Http\Limited;
use Lantern\Admin\Place\PlaceViews;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Step;
use Lantern\Reading\Answers\OwnAddresses;
use Lantern\Reading\Answers\TriedAddresses;
use Lantern\Reading\Copies\Copies;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;

/** Addresses that somebody tries: what a visitor would get. Nothing is changed by it. */
#[AsController]
final readonly class Answers
{
    public function __construct(private Api $api, private Copies $copies, private OwnAddresses $own, private PlaceViews $places)
    {
    }

    #[Limited(Costly::Answers)]
    #[Route('/api/answers', name: 'answers', methods: ['POST'])]
    #[OA\Post(
        path: '/api/answers',
        summary: 'What a visitor gets at each of these addresses, step by step',
        responses: [new OA\Response(
            response: 200,
            description: 'The answers, in the same order',
            content: new OA\JsonContent(ref: AnswersView::class),
        )],
    )]
    public function answers(#[Body] AnswersInput $input): Response
    {
        $tried = new TriedAddresses($this->copies->get($input->copy), $this->own);
        $answers = $tried->answers($input->addresses, $input->audience->at($input->at ?? $this->api->now()));

        return $this->api->json(new AnswersView(array_map($this->view(...), $answers)));
    }

    private function view(Answer $answer): AnswerView
    {
        return new AnswerView(
            $answer->status,
            $answer->address?->path,
            $answer->location,
            array_map(static fn (Step $step): StepView => new StepView($step->from, $step->words(), $step->to), $answer->trail),
            null === $answer->place ? null : $this->places->brief($answer->place),
        );
    }
}
