<?php

declare(strict_types=1);

namespace Lantern\Admin\Job;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Workbench\Jobs\Job;
use Lantern\Workbench\Jobs\Jobs;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

#[AsController]
final readonly class JobList
{
    public function __construct(private Api $api, private Jobs $jobs)
    {
    }

    #[Route('/api/jobs', methods: ['GET'])]
    #[OA\Get(
        path: '/api/jobs',
        summary: 'The jobs that go on, and one’s own that ended within a day',
        responses: [new OA\Response(
            response: 200,
            description: 'The latest first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: JobView::class)),
        )],
    )]
    public function current(#[CurrentUser] Account $account): Response
    {
        return new JsonResponse(array_map(static fn (Job $job): JobView => JobView::of($job), $this->jobs->current($account->person->id)));
    }

    #[Route('/api/jobs/{id}', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/jobs/{id}',
        summary: 'How far a job is, or what came of it',
        responses: [new OA\Response(response: 200, description: 'The job', content: new OA\JsonContent(ref: JobView::class))],
    )]
    public function one(string $id): Response
    {
        return $this->api->json(JobView::of($this->jobs->get($id)));
    }

    #[Route('/api/jobs/{id}/stop', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/jobs/{id}/stop',
        summary: 'Stops a job of one’s own, for owners any; nothing of it is kept, unless it has just ended',
        responses: [new OA\Response(response: 200, description: 'The job', content: new OA\JsonContent(ref: JobView::class))],
    )]
    public function stop(string $id, #[CurrentUser] Account $account): Response
    {
        return $this->api->json(JobView::of($this->jobs->stop($id, $account->actor())));
    }
}
