<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\View\AddressPlan;
use Lantern\Admin\View\DoneView;
use Lantern\Admin\View\MovedPlace;
use Lantern\Admin\View\WishView;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Impact\Readdressed;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Refused;
use Lantern\Persistence\AddressEditor;
use Lantern\Persistence\AddressTouches;
use Lantern\Persistence\AddressWish;
use Lantern\Persistence\Fields;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Changes of addresses, of one place or of many together. */
#[AsController]
#[OA\Schema(schema: 'AddressesInput', required: ['wishes'], properties: [
    new OA\Property(property: 'wishes', type: 'array', items: new OA\Items(required: ['place', 'seen', 'to'], properties: [
        new OA\Property(property: 'place', type: 'string'),
        new OA\Property(property: 'seen', type: 'string', description: 'The address that it had when this was wanted; if it has another by now, nothing is changed'),
        new OA\Property(property: 'to', type: 'string'),
        new OA\Property(property: 'carryBelow', type: 'boolean', description: 'What stands below comes along; yes where nothing is said'),
    ], type: 'object')),
])]
final readonly class Addresses
{
    public function __construct(private Api $api, private AddressEditor $editor, private AddressTouches $touches)
    {
    }

    #[Route('/api/addresses/plan', methods: ['POST'])]
    #[OA\Post(path: '/api/addresses/plan', summary: 'What changes of addresses would do together, and which of them cannot be', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AddressesInput')), responses: [new OA\Response(response: 200, description: 'The plan', content: new OA\JsonContent(ref: AddressPlan::class))])]
    public function plan(Request $request): Response
    {
        [$wishes, $problems] = $this->wishes($this->api->body($request));
        [$more, $change] = [] === $wishes ? [[], null] : $this->editor->judge($wishes);
        $problems += $more;
        $lines = array_map(static fn (AddressWish $wish): WishView => new WishView($wish->placeId, $wish->to->path, $problems[$wish->placeId] ?? null), $wishes);
        foreach (array_diff_key($problems, array_column($lines, null, 'place')) as $id => $problem) {
            $lines[] = new WishView($id, null, $problem);
        }

        return $this->api->json(new AddressPlan(
            $lines,
            null === $change ? [] : $this->touches->sentences($change),
            array_map(static fn (Readdressed $one): MovedPlace => new MovedPlace($one->title, $one->from->path, $one->to->path), $change->moved ?? []),
            array_map(static fn (Rule $rule): string => $rule->sourceWords(), $change->made ?? []),
        ));
    }

    #[Route('/api/addresses', methods: ['POST'])]
    #[OA\Post(path: '/api/addresses', summary: 'Changes addresses, all of them or none, and makes the redirects from the old ones', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AddressesInput')), responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))])]
    public function change(Request $request, #[CurrentUser] Account $account): Response
    {
        [$wishes, $problems] = $this->wishes($this->api->body($request));
        if ([] !== $problems) {
            throw new Refused('address', array_values($problems)[0]);
        }

        return $this->api->json(DoneView::of($this->editor->change($wishes, $account->person)));
    }

    /** @return array{list<AddressWish>, array<string, string>} and what is no address at all, by place id */
    private function wishes(Fields $body): array
    {
        $wishes = $problems = [];
        foreach ($body->objects('wishes') as $one) {
            try {
                $wishes[] = new AddressWish($one->uuid('place'), $one->text('seen'), $this->api->address($one->text('to')), $one->bool('carryBelow', true));
            } catch (BadAddress $bad) {
                $problems[$one->uuid('place')] = $bad->getMessage();
            } catch (Refused $refused) {
                $problems[$one->uuid('place')] = $refused->getMessage();
            }
        }

        return [$wishes, $problems];
    }
}
