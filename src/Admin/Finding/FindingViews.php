<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Finding\Mend;
use Lantern\Core\Finding\Mends;
use Lantern\Core\Finding\Subject;
use Lantern\Core\Finding\SubjectType;
use Lantern\Reading\Findings\FoundFinding;
use Lantern\Reading\Findings\FoundGroup;

/** Findings as the interface shows them. */
final readonly class FindingViews
{
    public static function group(FoundGroup $group): GroupView
    {
        return new GroupView(
            $group->kind->value,
            $group->kind->words(),
            $group->kind->isBroken(),
            $group->count,
            $group->visits,
            array_map(self::finding(...), $group->first),
        );
    }

    public static function finding(FoundFinding $found): FindingView
    {
        $finding = $found->finding;
        $subject = $finding->subject;

        return new FindingView(
            $finding->id,
            $finding->kind->value,
            $finding->kind->isBroken(),
            new SubjectView(
                $subject->type->value,
                $subject->id,
                $subject->name,
                $subject->within,
                $subject->where,
                self::spot($subject, $finding->kind),
            ),
            $found->says,
            $found->visits,
            $found->copies,
            $found->since->format(\DATE_ATOM),
            $found->person,
            array_map(static fn (Mend $mend): MendView => MendView::of($mend), Mends::of($finding)),
            $found->isSetAside ? new SetAsideView($found->reason, $found->setAsideBy, $found->until?->format(\DATE_ATOM)) : null,
            $finding->met[0] ?? null,
        );
    }

    private static function spot(Subject $subject, FindingKind $kind): string
    {
        return match ($subject->type) {
            SubjectType::Entry, SubjectType::Piece => "/menus/$subject->within?".http_build_query(['entry' => $subject->id]),
            SubjectType::Text => FindingKind::BlankEmpty === $kind ? '/policies' : "/places/$subject->id",
            SubjectType::Place => "/places/$subject->id",
            SubjectType::Redirect => '/redirects?'.http_build_query(['q' => rtrim($subject->name, '*')]),
            SubjectType::Mention => '/redirects',
            SubjectType::Header => '/menus?bay=header',
            SubjectType::Panel => "/menus/$subject->id",
            SubjectType::Looks => '/menus/looks',
        };
    }
}
