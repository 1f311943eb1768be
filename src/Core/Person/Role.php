<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

/** What somebody who works here may do; each may do what those below may. */
enum Role: string
{
    case Owner = 'owner';
    case Publisher = 'publisher';
    case Editor = 'editor';
    case Viewer = 'viewer';

    public function mayEdit(): bool
    {
        return self::Viewer !== $this;
    }

    /** Whether what was edited may be shown to visitors; whoever may not asks for it. */
    public function mayPublish(): bool
    {
        return self::Owner === $this || self::Publisher === $this;
    }

    /** Whether people and settings are theirs. */
    public function mayManage(): bool
    {
        return self::Owner === $this;
    }

    public function words(): string
    {
        return match ($this) {
            self::Owner => 'everything, people and settings, too',
            self::Publisher => 'edits, publishes, puts back',
            self::Editor => 'edits, and asks for a release',
            self::Viewer => 'looks',
        };
    }
}
