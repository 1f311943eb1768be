<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

/** What can be changed about the frame, one at a time. */
enum FrameChange: string
{
    case Hang = 'hang';
    case TakeDown = 'take-down';
    case Swap = 'swap';
    case Heading = 'heading';
    case Make = 'make';
    case Rename = 'rename';
    case Remove = 'remove';
    case Notice = 'notice';
    case WithoutMenu = 'without-menu';
    case Header = 'header';
    case Wordmark = 'wordmark';
    case LastLine = 'last-line';
    case MakeColumn = 'make-column';
    case ShiftColumn = 'shift-column';
    case WidenColumn = 'widen-column';
    case MakeBeside = 'make-beside';
    case FillBeside = 'fill-beside';
    case RemoveBeside = 'remove-beside';
    case Look = 'look';
    case TakeLooks = 'take-looks';
    case KeepLooks = 'keep-looks';
    case ForgetLooks = 'forget-looks';
}
