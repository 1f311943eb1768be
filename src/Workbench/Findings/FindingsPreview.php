<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Impact\Touch;
use Lantern\Core\Impact\TouchKind;
use Lantern\Core\NotThere;
use Lantern\Core\Refused;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Reading\Findings\FoundFinding;

/** What the link check would find after a change: the change is made, looked at, and taken back before anybody sees it. */
final readonly class FindingsPreview
{
    /** A change that reaches more is told of by the first so many. */
    private const MOST = 500;

    public function __construct(private EntityManagerInterface $entities, private Inspection $inspection, private FindingTable $table)
    {
    }

    /**
     * @param \Closure(): mixed $change
     *
     * @return list<Touch> none where the change cannot be made, or too much would have to be looked at
     */
    public function of(\Closure $change): array
    {
        if (!$this->inspection->catchUp(CopyName::Workbench)) {
            return [];
        }
        $before = $this->table->ids();
        $comes = $gone = [];
        $connection = $this->entities->getConnection();
        $connection->beginTransaction();
        try {
            $change();
            $this->entities->flush();
            if ($this->inspection->catchUp(CopyName::Workbench)) {
                $after = $this->table->ids();
                $comes = $this->table->onTheWorkbench(\array_slice(array_values(array_diff($after, $before)), 0, self::MOST));
                $gone = \array_slice(array_values(array_diff($before, $after)), 0, self::MOST);
            }
        } catch (Refused|NotThere) {
            return [];
        } finally {
            $connection->rollBack();
            $this->entities->clear();
        }
        $broken = array_values(array_filter($comes, static fn (FoundFinding $one): bool => $one->finding->kind->isBroken()));

        return [
            ...self::touch(TouchKind::FindingsCome, $broken, true),
            ...self::touch(
                TouchKind::FindingsCome,
                array_values(array_filter($comes, static fn (FoundFinding $one): bool => !$one->finding->kind->isBroken())),
                false,
            ),
            ...self::touch(TouchKind::FindingsGo, $this->table->onTheWorkbench($gone), false),
        ];
    }

    /**
     * @param list<FoundFinding> $found
     *
     * @return list<Touch>
     */
    private static function touch(TouchKind $kind, array $found, bool $breaks): array
    {
        return [] === $found
            ? []
            : [new Touch(
                $kind,
                array_map(static fn (FoundFinding $one): string => "{$one->finding->subject->name}: {$one->says}", $found),
                count: \count($found),
                breaks: $breaks,
            )];
    }
}
