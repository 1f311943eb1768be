<?php

declare(strict_types=1);

namespace Lantern\Node\Table;

use Lantern\Workbench\Publishing\Released;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/** The node that published knows of the release at once; the others look within two seconds. */
#[AsEventListener]
final class ForgetEarlierRelease
{
    public function __invoke(Released $released): void
    {
        NodeTable::forgetRelease();
    }
}
