<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

/** A controller that answers with pages, whose forms carry their own token; all others are the API. */
interface Page
{
}
