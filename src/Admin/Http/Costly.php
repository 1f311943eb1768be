<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

/** Work that is limited, each by a limiter of its name. */
enum Costly: string
{
    case Preview = 'preview';
    case Upload = 'upload';
    case Import = 'import';
    case Answers = 'answers';
}
