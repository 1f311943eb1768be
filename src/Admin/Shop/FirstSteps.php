<?php

declare(strict_types=1);

namespace Lantern\Admin\Shop;

use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Core\Shop\FirstStep;
use Lantern\Reading\Shop\FirstFactsReader;
use Lantern\Workbench\People\HouseRules;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;

/** The first steps of a new shop, which can be left and taken up again. */
#[AsController]
final readonly class FirstSteps
{
    public function __construct(private Api $api, private FirstFactsReader $facts, private HouseRules $rules)
    {
    }

    #[Route('/api/first-steps', methods: ['GET'])]
    #[OA\Get(
        path: '/api/first-steps',
        summary: 'What a new shop needs before visitors come',
        responses: [new OA\Response(response: 200, description: 'The steps', content: new OA\JsonContent(ref: FirstStepsView::class))],
    )]
    public function steps(): Response
    {
        return $this->api->json($this->view());
    }

    #[Route('/api/first-steps', methods: ['PUT'])]
    #[OA\Put(
        path: '/api/first-steps',
        summary: 'Puts them away, or takes them up again',
        responses: [new OA\Response(response: 200, description: 'The steps', content: new OA\JsonContent(ref: FirstStepsView::class))],
    )]
    public function put(#[Body] AwayInput $input): Response
    {
        $this->rules->putFirstStepsAway($input->isAway);

        return $this->api->json($this->view());
    }

    private function view(): FirstStepsView
    {
        $facts = $this->facts->read();

        return new FirstStepsView(
            array_map(
                static fn (FirstStep $one): FirstStepView => new FirstStepView(
                    $one->value,
                    $one->words(),
                    $one->says(),
                    $one->isDone($facts),
                ),
                FirstStep::cases(),
            ),
            $this->rules->firstStepsAreAway(),
        );
    }
}
