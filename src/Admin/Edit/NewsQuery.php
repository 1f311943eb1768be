<?php

declare(strict_types=1);

namespace Lantern\Admin\Edit;

use Lantern\Reading\News\WorkbenchNews;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Since when news is wanted. */
#[OA\Schema]
final readonly class NewsQuery
{
    public function __construct(
        #[OA\Property(description: 'The mark that the last answer gave; empty: only a mark is wanted'),
            Assert\Length(max: 2000),
            Assert\Regex(WorkbenchNews::MARK, message: 'A mark is what the last answer gave. Leave it out to begin anew.'),]
        public string $since = '',
    ) {
    }
}
