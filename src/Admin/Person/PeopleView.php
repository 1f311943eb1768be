<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** Who works here. */
#[OA\Schema]
final readonly class PeopleView
{
    /**
     * @param list<ColleagueView> $people
     * @param list<InvitedView>   $invited
     * @param list<RoleView>      $roles
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: ColleagueView::class))]
        public array $people,
        #[OA\Property(type: 'array', items: new OA\Items(ref: InvitedView::class))]
        public array $invited,
        #[OA\Property(type: 'array', items: new OA\Items(ref: RoleView::class))]
        public array $roles,
        #[OA\Property]
        public HouseRulesView $rules,
        #[OA\Property(description: 'Whether letters are kept in the mailbox here, since there is no mail server')]
        public bool $keepsMails,
    ) {
    }
}
