<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\DoneView;
use Lantern\Admin\Job\JobView;
use Lantern\Core\Impact\ChangedAddress;
use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Redirect\Rule;
use Lantern\Reading\Mentions\AddressTouches;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Addresses\JudgedWish;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\Jobs;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Changes of addresses, of one place or of many together. */
#[AsController]
final readonly class Addresses
{
    /** More places than these are moved by a worker. */
    private const MOST_AT_ONCE = 2000;

    public function __construct(private Api $api, private AddressEditor $editor, private AddressTouches $touches, private Jobs $jobs)
    {
    }

    #[Route('/api/addresses/plan', methods: ['POST'])]
    #[OA\Post(
        path: '/api/addresses/plan',
        summary: 'What changes of addresses would do together, and which of them cannot be',
        responses: [new OA\Response(response: 200, description: 'The plan', content: new OA\JsonContent(ref: AddressPlan::class))],
    )]
    public function plan(#[Body] AddressesInput $input): Response
    {
        $judged = $this->editor->judge($input->wishes());
        $change = $judged->change;

        return $this->api->json(new AddressPlan(
            array_map(
                static fn (JudgedWish $one): WishView => new WishView($one->placeId, $one->to?->path, $one->problem),
                $judged->wishes,
            ),
            null === $change ? [] : TouchWords::all($this->touches->of($change)),
            array_map(
                static fn (ChangedAddress $one): MovedPlace => new MovedPlace($one->title, $one->from->path, $one->to->path),
                $change->moved ?? [],
            ),
            array_map(static fn (Rule $rule): string => $rule->sourceWords(), $change->made ?? []),
        ));
    }

    #[Route('/api/addresses', methods: ['POST'])]
    #[OA\Post(path: '/api/addresses', summary: 'Changes addresses, all of them or none, with redirects from the old ones', responses: [
        new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class)),
        new OA\Response(
            response: 202,
            description: 'So many that it takes a while: a job that changes them',
            content: new OA\JsonContent(ref: JobView::class),
        ),
    ])]
    public function change(#[Body] AddressesInput $input, #[CurrentUser] Account $account): Response
    {
        $wishes = $input->wishes();
        if ($this->editor->size($wishes) > self::MOST_AT_ONCE) {
            $asked = ['wishes' => array_map(
                static fn (AddressWish $wish): array => [
                    'place' => $wish->placeId,
                    'seen' => $wish->seen,
                    'to' => $wish->to,
                    'below' => $wish->carryBelow,
                ],
                $wishes,
            )];

            return new JsonResponse(JobView::of($this->jobs->ask(JobKind::Addresses, $asked, $account->actor())), Response::HTTP_ACCEPTED);
        }

        return $this->api->edited(fn (): Edit => $this->editor->change($wishes, $account->actor()));
    }
}
