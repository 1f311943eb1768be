<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Doctrine\DBAL\Connection;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Piece\ProductOrder;
use Lantern\Core\Piece\ProductSource;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;
use Lantern\Reading\Places\PlaceConditions;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;

/** Finds the products that pieces show by a rule. */
final readonly class PieceProducts
{
    /** Several categories and all below them. */
    private const TREES = 'WITH RECURSIVE tree AS (SELECT unnest(CAST(:categories AS uuid[])) AS id'.ShopReader::BELOW;
    private const IN_TREE = 'f.id IN (SELECT s.product_id FROM standing s WHERE s.category_id = ANY (ARRAY(SELECT id FROM tree)))';

    /**
     * So few candidates are put in order; of more than these the wanted ones are soon found by walking in that order. Which of the two is
     * decided when it is asked: a plan that was made for any category knows nothing of the size of this one.
     */
    private const FEW = 1000;

    public function __construct(private Connection $connection, private ShopReader $shop, private int $few = self::FEW)
    {
    }

    /**
     * Products for pieces: those of a category, of a collection, or of the whole shop by a rule. All pieces are asked for at once,
     * and those that ask in the same way, only of another category, say, by the same words: most of what this costs is to plan it.
     *
     * @param array<string, WantedProducts> $wanted by piece
     */
    public function chosen(array $wanted, Filters $filters, Visitor $visitor): FoundProducts
    {
        $alike = $found = $parts = $categories = [];
        $parameters = PlaceConditions::visitor($visitor);
        foreach ($wanted as $piece => $one) {
            [$sql, $of, $asked] = $this->productList($one, $filters);
            $alike[$sql.json_encode($asked, \JSON_THROW_ON_ERROR)][] = [$piece, $sql, $of, $asked];
            $found[$piece] = [];
            if (PlaceKind::Category === $one->of?->kind) {
                $categories[$one->of->id] = true;
            }
        }
        if ([] !== $categories) {
            $parts[] = "SELECT -1 AS nth, '' AS of, within.id, 0 AS turn FROM (".self::TREES.'SELECT id FROM tree) within';
            $parameters['categories'] = PgArray::of(array_keys($categories));
        }
        foreach (array_values($alike) as $n => $group) {
            [, $sql, , $asked] = $group[0];
            foreach ($asked as $name => $value) {
                // Two groups may ask for two tags.
                $sql = (string) preg_replace("/:$name\b/", ":{$name}_$n", $sql);
                $parameters["{$name}_$n"] = $value;
            }
            // Two pieces may well ask for the same.
            $parameters["ofs_$n"] = PgArray::of(array_values(array_unique(array_column($group, 2))));
            $parts[] = <<<SQL
                SELECT $n AS nth, wanted.of, listed.id, listed.turn FROM unnest(CAST(:ofs_$n AS text[])) AS wanted (of)
                CROSS JOIN LATERAL (SELECT one.id, row_number() OVER () AS turn FROM ($sql) one) listed
                SQL;
        }
        $lists = [];
        foreach ([] === $parts ? [] : $this->connection->fetchAllAssociative(
            implode(' UNION ALL ', $parts).' ORDER BY nth, turn',
            $parameters,
        ) as $columns) {
            $row = new Row($columns);
            $lists[$row->int('nth')][$row->text('of')][] = $row->text('id');
        }
        foreach (array_values($alike) as $n => $group) {
            foreach ($group as [$piece, , $of]) {
                $found[$piece] = $lists[$n][$of] ?? [];
            }
        }

        return new FoundProducts($found, $lists[-1][''] ?? []);
    }

    /** @return array{string, string, array<string, mixed>} SQL of one list, of what it is (`wanted.of` in it), and what else it asks for */
    private function productList(WantedProducts $wanted, Filters $filters): array
    {
        $narrowed = Postings::condition($wanted->narrowing, $filters);
        $rule = match ($wanted->piece->source) {
            ProductSource::Tag => CollectionRule::of('tag', $wanted->piece->tag),
            ProductSource::Reduced => CollectionRule::of('reduced'),
            ProductSource::Newest => CollectionRule::of('newest'),
            ProductSource::Featured => CollectionRule::of('featured'),
            default => PlaceKind::Collection === $wanted->of?->kind ? $this->shop->details($wanted->of->id)->rule : null,
        };
        $place = $wanted->of->id ?? '';
        [$with, $from, $where, $candidates, $laid, $of, $more] = match (true) {
            null === $rule && PlaceKind::Category === $wanted->of?->kind => [
                rtrim(str_replace(':category', 'wanted.of', ShopReader::TREE)).', ',
                '',
                self::IN_TREE,
                'SELECT s.product_id AS id FROM standing s WHERE s.category_id = ANY (ARRAY(SELECT id FROM tree))',
                'p.title COLLATE by_name, p.id',
                $place,
                [],
            ],
            'hand' === $rule?->by && null !== $wanted->of => [
                '',
                'JOIN pick k ON k.product_id = f.id AND k.collection_id = CAST(wanted.of AS uuid)',
                'true',
                '',
                'k.position, p.id',
                $place,
                [],
            ],
            null === $rule, 'newest' === $rule->by => [
                '',
                '',
                'true',
                '',
                null === $rule ? 'p.title COLLATE by_name, p.id' : 'f.new_since DESC, f.id',
                '',
                [],
            ],
            default => [
                'WITH ',
                '',
                self::ruled($rule),
                'SELECT f.id FROM product f WHERE '.self::ruled($rule),
                'p.title COLLATE by_name, p.id',
                '',
                'tag' === $rule->by ? ['tag' => $rule->tag] : [],
            ],
        };
        $order = match ($wanted->piece->order) {
            ProductOrder::Laid => $laid,
            ProductOrder::Name => 'p.title COLLATE by_name, p.id',
            ProductOrder::Price => 'f.price, p.id',
            ProductOrder::Newest => 'f.new_since DESC, f.id',
        };
        $list = static fn (string $where): string => <<<SQL
            SELECT p.id FROM product f JOIN place p ON p.id = f.id $from WHERE p.kind = 'product' AND $where AND
            SQL
            .' '.PlaceConditions::SHOWN." AND {$narrowed->sql} ORDER BY $order LIMIT {$wanted->piece->most}";
        $sql = '' === $candidates ? $list($where) : \sprintf(
            "{$with}few AS MATERIALIZED ($candidates LIMIT %d) (%s) UNION ALL (%s)",
            $this->few + 1,
            $list('(SELECT count(*) FROM few) <= '.$this->few.' AND p.id = ANY (ARRAY(SELECT id FROM few))'),
            $list('(SELECT count(*) FROM few) > '.$this->few." AND $where"),
        );

        return [$sql, $of, $more + $narrowed->parameters];
    }

    /** A condition on a product f. */
    public static function ruled(CollectionRule $rule): string
    {
        return match ($rule->by) {
            'tag' => 'f.tags @> ARRAY[CAST(:tag AS text)]',
            'reduced' => 'f.reduced_from IS NOT NULL',
            'featured' => 'f.featured',
            default => 'true',
        };
    }
}
