<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** Why one place is near to another. */
enum Nearness
{
    case Above;
    case SharesProducts;
    case LikeName;
    case Beside;
}
