<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class OutlineInput
{
    public function __construct(
        #[OA\Property(description: 'Indented lines, OPML 2.0, or JSON; which of them is told by how it begins'),
            Assert\Length(max: 1_000_000),]
        public string $content,
    ) {
    }
}
