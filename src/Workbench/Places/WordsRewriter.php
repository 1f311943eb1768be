<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\Together;
use Lantern\Core\Person\Actor;
use Lantern\Core\Piece\Text;
use Lantern\Core\Words\Words;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Sql\PgArray;
use Lantern\Workbench\Edits\MenuMoves;
use Lantern\Workbench\Words\WordsRecord;

/** Changes where the texts of the workbench lead, as part of an edit of something else. */
final readonly class WordsRewriter
{
    public function __construct(private EntityManagerInterface $entities, private PlaceRecords $records, private Copies $copies)
    {
    }

    /**
     * In every text that leads to one of these places or addresses, on pages and in wide panels that are laid out, too.
     *
     * @param list<string>           $placeIds
     * @param list<string>           $addresses
     * @param \Closure(Words): Words $rewrite
     */
    public function rewrite(array $placeIds, array $addresses, \Closure $rewrite, Actor $by, MenuMoves $menus): void
    {
        $connection = $this->entities->getConnection();
        $found = $connection->fetchAllAssociative(<<<'SQL'
            SELECT m.source_id, m.piece_id FROM text_mention m WHERE m.place_id = ANY (CAST(:places AS uuid[]))
            UNION SELECT m.source_id, m.piece_id FROM text_mention m WHERE m.address = ANY (CAST(:addresses AS text[]))
            SQL, ['places' => PgArray::of($placeIds), 'addresses' => PgArray::of($addresses)]);
        $ids = array_column(array_filter($found, static fn (array $one): bool => $one['source_id'] === $one['piece_id']), 'source_id');
        $this->inPieces(
            array_values(array_filter(
                array_column(array_filter($found, static fn (array $one): bool => $one['source_id'] !== $one['piece_id']), 'source_id'),
                \is_string(...),
            )),
            $rewrite,
            $menus,
        );
        if ([] === $ids) {
            return;
        }
        $places = [];
        foreach ($this->entities->getRepository(PlaceRecord::class)->findBy(['id' => $ids]) as $place) {
            $places[$place->id] = $place;
        }
        foreach ($this->entities->getRepository(WordsRecord::class)->findBy(['id' => $ids]) as $words) {
            $html = $rewrite(new Words($words->html))->html;
            if ($html !== $words->html && isset($places[$words->id])) {
                $words->html = $html;
                $this->records->sign($places[$words->id], $by);
            }
        }
        $this->entities->flush();
        // What comes after this writes past the entities.
        $this->entities->clear();
    }

    /**
     * @param list<string>           $layoutIds
     * @param \Closure(Words): Words $rewrite
     */
    private function inPieces(array $layoutIds, \Closure $rewrite, MenuMoves $menus): void
    {
        foreach ([] === $layoutIds ? [] : $this->copies->workbench->menus->trees(array_values(array_unique($layoutIds))) as $id => $tree) {
            $rewritten = [];
            foreach ($tree->all() as $entry) {
                $html = $entry->content instanceof Text ? $rewrite(new Words($entry->content->html))->html : null;
                if (null !== $html && $entry->content instanceof Text && $html !== $entry->content->html) {
                    $rewritten[] = new Rewrite($entry->withContent($entry->content->withHtml($html)));
                }
            }
            if ([] !== $rewritten) {
                $menus->make($id, new Together($rewritten));
            }
        }
    }
}
