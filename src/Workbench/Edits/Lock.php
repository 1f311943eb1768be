<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

/**
 * Where two people, or two processes, may meet in more than one row. Whoever needs several takes them in this order, and before any
 * row, so that nobody waits for one another in a circle. Those of one thing name it: of two things each has its own.
 */
enum Lock: string
{
    /** Of a file, by its name: two who upload the same bytes. */
    case File = 'file';

    /** Of a letter, by its id: two workers that have the same message. */
    case Letter = 'letter';

    /** Of another web site, by its host: it is asked by one worker at a time. */
    case OutsideHost = 'outside';

    /** Of a network from which addresses are signed up. */
    case SignUp = 'sign-up';

    /** Of a copy: one walk over everything at a time. */
    case Walk = 'walk';

    /** Of a copy: who looks what changed over, and keeps what was found. */
    case Findings = 'findings';

    /** Who works here: two owners who remove each other come one after the other. */
    case People = 'people';

    /** Jobs of a kind: one at a time. */
    case Jobs = 'jobs';

    /**
     * What relates places with each other (addresses, redirects, what stands below what, where closed ones lead): two could make a
     * circle of two halves, or take one address.
     */
    case Relations = 'relations';

    /** Bays, and what hangs in them. */
    case Frame = 'frame';

    /** Settings of the shop: what was read of some decides what is written into others. */
    case Settings = 'settings';

    /** A release. */
    case Publish = 'publish';

    public function name(string $of = ''): string
    {
        return trim("lantern {$this->value} $of");
    }
}
