<?php

declare(strict_types=1);

namespace Lantern\Admin\Letter;

use OpenApi\Attributes as OA;

/** Lists, kept mails, and what the stand-in of a mailing service heard. */
#[OA\Schema]
final readonly class LettersView
{
    /**
     * @param list<ListView> $lists
     * @param list<MailView> $mails
     * @param list<ToldView> $told
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: ListView::class))]
        public array $lists,
        #[OA\Property(description: 'Whether mails are kept here; else a mail server takes them')]
        public bool $keepsMails,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MailView::class))]
        public array $mails,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ToldView::class))]
        public array $told,
    ) {
    }
}
