<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mends;

use Lantern\Core\Finding\ByHand;
use Lantern\Core\Finding\EntryMend;
use Lantern\Core\Finding\Finding;
use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Finding\Mend;
use Lantern\Core\Finding\MendAnswer;
use Lantern\Core\Finding\MendAsks;
use Lantern\Core\Finding\MendKind;
use Lantern\Core\Finding\Mends;
use Lantern\Core\Finding\SubjectType;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Reading\Findings\FoundFinding;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\MenuMoves;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\Policies\PolicyWriter;
use Lantern\Workbench\Settings\SettingWriter;
use Psr\Clock\ClockInterface;

/** Puts findings right, one or many, as one edit. */
final readonly class Mender
{
    public const MOST = 500;

    public function __construct(
        private EditLog $edits,
        private Locks $locks,
        private FindingTable $table,
        private Inspection $inspection,
        private Copies $copies,
        private WordsMender $words,
        private PlaceMends $places,
        private RedirectMends $redirects,
        private PolicyWriter $policies,
        private SettingWriter $settings,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param list<string> $ids of findings on the workbench
     *
     * @throws Refused where they are mended already, cannot be mended so, or what is told will not do
     */
    public function mend(array $ids, MendKind $kind, MendAnswer $answer, Actor $by): Edit
    {
        if (\count($ids) > self::MOST) {
            throw new Refused('findings', \sprintf('At most %d findings are mended at once. Choose fewer.', self::MOST));
        }

        return $this->edits->run($by, Subject::Places, function (MenuMoves $moves) use ($ids, $kind, $answer, $by): string {
            // Whoever comes second finds what the first left.
            $this->locks->relations();
            if (!$this->inspection->catchUp(CopyName::Workbench)) {
                throw new Refused('findings', 'So much changed that it is still being looked over. Try again in a moment.');
            }
            $found = array_map(static fn (FoundFinding $one): Finding => $one->finding, $this->table->onTheWorkbench($ids));
            if ([] === $found) {
                throw new Refused('findings', 1 === \count($ids) ? 'This is mended already.' : 'These are mended already.');
            }
            $mends = array_map(
                static fn (Finding $one): Mend => Mends::one($one, $kind)
                    ?? throw new Refused('mend', \sprintf('“%s” cannot be mended so.', $one->subject->name)),
                $found,
            );
            $this->checked($kind, $answer);
            foreach ($found as $one) {
                $this->one($one, $kind, $answer, $moves, $by);
            }

            return 1 === \count($found)
                ? \sprintf('%s: %s.', $found[0]->subject->name, lcfirst($mends[0]->says))
                : \sprintf('%d findings are mended: %s.', \count($found), lcfirst($mends[0]->together() ?? $mends[0]->says));
        });
    }

    /** @throws Refused where it will not do */
    private function checked(MendKind $kind, MendAnswer $answer): void
    {
        match ($kind->asks()) {
            MendAsks::Place => $this->refuseClosed($answer->placeId()),
            MendAsks::Words => $answer->text(),
            MendAsks::Spot => throw new ByHand(),
            MendAsks::Nothing => null,
        };
    }

    private function refuseClosed(string $placeId): void
    {
        $place = $this->copies->workbench->places->get($placeId) ?? throw new Refused('to', 'Choose the place that it should lead to.');
        if (!$place->opensAt($this->clock->now())) {
            throw new Refused(
                'to',
                \sprintf('“%s” does not open, so visitors would find nothing there. Choose a place that opens.', $place->title),
            );
        }
    }

    private function one(Finding $finding, MendKind $kind, MendAnswer $answer, MenuMoves $moves, Actor $by): void
    {
        if (MendKind::OpenPlace === $kind) {
            $this->places->open($finding->detail('place'), $by);

            return;
        }
        match ($finding->subject->type) {
            SubjectType::Text => $this->words->mend($finding, $kind, $answer, $by),
            SubjectType::Entry, SubjectType::Piece => $this->inMenu($finding, $kind, $answer, $moves),
            SubjectType::Redirect => $this->redirects->ofRedirect($finding, $kind, $answer),
            SubjectType::Mention => $this->redirects->ofMention($finding, $kind, $answer),
            SubjectType::Place => FindingKind::PolicyNotInFooter === $finding->kind
                ? $this->policies->putInFooter([$finding->subject->id], $moves, $by)
                : $this->places->mend($finding, $kind, $answer, $by),
            SubjectType::Looks => $this->settings->write([$finding->detail('name') => $finding->detail('colour')]),
            SubjectType::Header, SubjectType::Panel => throw new ByHand(),
        };
    }

    private function inMenu(Finding $finding, MendKind $kind, MendAnswer $answer, MenuMoves $moves): void
    {
        $tree = $this->copies->workbench->menus->tree($finding->subject->within);
        // One line may have two findings, and went with the first of them.
        if (null !== $tree->find($finding->subject->id)) {
            $moves->make($finding->subject->within, (new EntryMend($finding, $kind, $answer))->move($tree));
        }
    }
}
