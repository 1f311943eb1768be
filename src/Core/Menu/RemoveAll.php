<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Takes several entries out; what stands below them goes along, or takes their stand. */
final readonly class RemoveAll implements Move
{
    /** @param list<string> $entryIds */
    public function __construct(public array $entryIds, public bool $childrenStay = false)
    {
    }

    public function apply(Tree $tree): Tree
    {
        $ids = $this->childrenStay ? array_values(array_filter($this->entryIds, static fn (string $id): bool => null !== $tree->find($id))) : $tree->topmost($this->entryIds);

        return array_reduce($ids, fn (Tree $at, string $id): Tree => ($this->childrenStay ? new Lift($id) : new Remove($id))->apply($at), $tree);
    }

    public function inverse(Tree $before): Move
    {
        return Difference::between($this->apply($before), $before);
    }
}
