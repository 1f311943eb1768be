<?php

declare(strict_types=1);

namespace Lantern\Demo;

use Lantern\Core\Address\Slug;
use Lantern\Core\Menu\Bay;
use Lantern\Core\Place\FileType;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\PieceCodec;
use Symfony\Component\Yaml\Yaml;

/**
 * The demo shop Tansy & Rook as rows, made from the YAML files beside this class. Days are counted
 * from the given one, so the shop looks the same whenever it is made.
 *
 * @phpstan-type Data array<string, mixed>
 */
final class DemoShop
{
    /** @var array<string, list<array<string, mixed>>> rows by table */
    private array $rows = [];
    /** @var array<string, string> SVG file name to the words that colour it */
    private array $pictures = ['icon.svg' => '', 'hero.svg' => ''];
    /** @var array<string, string> content of the files that the shop offers, by the name they are stored under */
    private array $files = [];
    /** @var array<string, string> addresses by key */
    private array $addresses = [];
    /** @var array<string, list<string>> product ids by category key */
    private array $standing = [];
    /** @var list<array<string, string>> */
    private array $people = [];

    private function __construct(private readonly \DateTimeImmutable $today)
    {
    }

    public static function made(\DateTimeImmutable $today): self
    {
        $shop = new self($today);
        /** @var array<string, mixed> $goods */
        $goods = Yaml::parseFile(__DIR__.'/data/shop.yaml');
        /** @var array<string, mixed> $words */
        $words = Yaml::parseFile(__DIR__.'/data/words.yaml');
        $shop->settings($goods);
        $shop->fixed($goods);
        $shop->categories($goods);
        $shop->products($goods);
        $shop->collections($goods);
        $shop->files($goods);
        $shop->texts($words);
        $shop->menus($words);
        /** @var array<string, mixed> $layouts */
        $layouts = Yaml::parseFile(__DIR__.'/data/layouts.yaml');
        $shop->layouts($layouts);
        $shop->columns($layouts);
        $shop->redirects($words);
        $shop->outside($words);
        $shop->visits($words);

        return $shop;
    }

    /** @return array<string, list<array<string, mixed>>> rows by table, in the order in which they are stored */
    public function rows(): array
    {
        return $this->rows;
    }

    /** @return list<array<string, string>> name, mail, password and role */
    public function people(): array
    {
        return $this->people;
    }

    /** @return array<string, string> SVG file name to the words that colour it */
    public function pictures(): array
    {
        return $this->pictures;
    }

    /** @return array<string, string> content of the files that the shop offers, by the name they are stored under */
    public function storedFiles(): array
    {
        return $this->files;
    }

    /** @param array<string, mixed> $goods */
    private function settings(array $goods): void
    {
        foreach (self::map($goods['settings']) as $name => $value) {
            $this->rows['setting'][] = ['id' => $name, 'value' => $value];
        }
        foreach (self::list($goods['people']) as $person) {
            $this->people[] = [
                'name' => $person->text('name'),
                'mail' => $person->text('mail'),
                'password' => $person->text('password'),
                'role' => $person->text('role'),
            ];
        }
    }

    /** @param array<string, mixed> $goods */
    private function fixed(array $goods): void
    {
        foreach (self::list($goods['fixed']) as $place) {
            $this->place('fixed/'.$place->text('key'), $place->text('kind'), $place, $place->text('address'));
        }
    }

    /** @param array<string, mixed> $goods */
    private function categories(array $goods): void
    {
        foreach (self::list($goods['categories']) as $category) {
            $key = $category->text('key');
            $parent = $category->textOrNull('in');
            $address = (null === $parent ? '' : $this->addresses["categories/$parent"]).'/'.$key;
            $this->place("categories/$key", 'category', $category, $address, null === $parent ? null : "categories/$parent");
            $this->standing[$key] = [];
        }
    }

    /** @param array<string, mixed> $goods */
    private function products(array $goods): void
    {
        $number = 0;
        foreach (self::list($goods['products']) as $family) {
            foreach ($family->textsOr('each', ['']) as $index => $variant) {
                ++$number;
                $title = str_replace('{}', $variant, $family->text('name'));
                $slug = Slug::fromTitle($title)->text;
                $id = $this->place(
                    "products/$slug",
                    'product',
                    $family,
                    "/products/$slug",
                    title: $title,
                    picture: \sprintf('%s-%d.svg', $family->text('picture'), 100 + $number),
                    position: $number,
                );
                $this->pictures[\sprintf('%s-%d.svg', $family->text('picture'), 100 + $number)] = $title;
                $price = $family->int('price') + ($index % 3) * 40;
                $this->rows['catalogue.product'][] = [
                    'id' => $id,
                    'sku' => \sprintf('TR-%04d', 1000 + $number),
                    'price' => 0 === $number % 11 ? (int) round($price * 0.8) : $price,
                    'reduced_from' => 0 === $number % 11 ? $price : null,
                    'stock' => ($number * 7) % 29,
                    'weight' => $family->int('weight'),
                    'maker' => $family->text('maker'),
                    'tags' => $family->textsOr('tags', []),
                    'options' => $family->mapOr('options', []),
                    'featured' => 0 === $number % 17,
                    'new_since' => $this->today->modify(\sprintf('-%d days', ($number * 37) % 400 + 3))->format('Y-m-d'),
                ];
                foreach ($family->textsOr('in', []) as $category) {
                    $this->standing[$category][] = $id;
                    $this->rows['catalogue.standing'][] = [
                        'category_id' => DemoId::of("categories/$category"),
                        'product_id' => $id,
                        'position' => $number,
                    ];
                }
            }
        }
    }

    /** @param array<string, mixed> $goods */
    private function collections(array $goods): void
    {
        foreach (self::list($goods['collections']) as $collection) {
            $key = $collection->text('key');
            $by = $collection->text('by');
            $rule = match ($by) {
                'hand' => null,
                'tag' => ['by' => 'tag', 'tag' => $collection->text('tag')],
                default => ['by' => $by],
            };
            $id = $this->place("collections/$key", 'collection', $collection, "/collections/$key", rule: $rule);
            $position = 0;
            foreach ($collection->textsOr('picks', []) as $category) {
                foreach (\array_slice($this->standing[$category], 0, 4) as $product) {
                    $this->rows['pick'][] = [
                        'id' => DemoId::of("pick/$key/$product"),
                        'collection_id' => $id,
                        'product_id' => $product,
                        'position' => $position++,
                    ];
                }
            }
        }
    }

    /** @param array<string, mixed> $goods */
    private function files(array $goods): void
    {
        foreach (self::list($goods['files']) as $file) {
            $name = basename($file->text('address'));
            $type = FileType::ofStoredName($name) ?? throw new \LogicException("The demo has a file of no type: $name");
            // A leaflet is written here; a picture or video lies beside the data.
            $content = $file->has('lines')
                ? PlainPdf::of($file->textsOr('lines', []))
                : (string) file_get_contents(__DIR__."/data/media/$name");
            // As an upload is stored, so that a picture can be chosen for a page.
            $stored = $type->isPicture() ? 'uploads/'.hash('sha256', $content).'.'.$type->extensions()[0] : $name;
            $this->files[$stored] = $content;
            $this->place('files/'.$file->text('key'), 'file', $file, $file->text('address'), file: [
                'stored' => $stored,
                'type' => $type->value,
                'size' => \strlen($content),
            ]);
        }
    }

    /** @param array<string, mixed> $words */
    private function texts(array $words): void
    {
        foreach (self::list($words['groups']) as $group) {
            $this->place('groups/'.$group->text('key'), 'page-group', $group, $group->text('address'));
        }
        foreach (self::list($words['pages']) as $page) {
            $group = $page->textOrNull('in');
            $address = null === $group ? $page->text('address') : $this->addresses["groups/$group"].'/'.$page->text('slug');
            $this->place('pages/'.$page->text('key'), 'page', $page, $address, null === $group ? null : "groups/$group");
        }
        foreach (self::list($words['policies']) as $policy) {
            $this->place(
                'policies/'.$policy->text('key'),
                'policy',
                $policy,
                $policy->text('address'),
                purpose: basename($policy->text('address')),
            );
        }
        foreach (self::list($words['articles']) as $article) {
            $slug = Slug::fromTitle($article->text('title'))->text;
            $this->place(
                "articles/$slug",
                'article',
                $article,
                "/journal/$slug",
                'fixed/journal',
                publishedOn: $this->today->modify("-{$article->int('days')} days")->format('Y-m-d'),
            );
        }
    }

    /** @param array<string, mixed> $words */
    private function menus(array $words): void
    {
        $bays = [];
        foreach (self::list($words['menus']) as $position => $menu) {
            $id = DemoId::of('menus/'.$menu->text('key'));
            $this->rows['menu'][] = ['id' => $id, 'name' => $menu->text('name'), 'position' => $position, 'kind' => 'menu'];
            $this->entries($menu->objects('entries'), $id, null, 'entries/'.$menu->text('key'));
            foreach ($menu->mapOr('bays', []) as $bay => $heading) {
                $bays[$bay] = ['menu_id' => $id, 'heading' => $heading];
            }
        }
        foreach ([
            'header' => 0,
            Bay::SECOND_ROW => 1,
            'drawer' => 2,
            'footer-6' => 10,
            'footer-1' => 11,
            'footer-2' => 12,
            'footer-5' => 13,
            'footer-3' => 14,
            'footer-4' => 15,
            Bay::LAST_LINE => 30,
        ] as $bay => $position) {
            $this->rows['bay'][] = [
                'id' => $bay,
                'position' => $position,
                'share' => 1,
            ] + ($bays[$bay] ?? ['menu_id' => null, 'heading' => '']);
        }
    }

    /** @param list<Fields> $entries */
    private function entries(array $entries, string $menuId, ?string $parentId, string $path): void
    {
        foreach ($entries as $position => $entry) {
            $id = DemoId::of("$path/$position");
            $to = $entry->textOrNull('to');
            $this->rows['entry'][] = [
                'id' => $id,
                'menu_id' => $menuId,
                'parent_id' => $parentId,
                'position' => $position,
                'label' => $entry->textOrNull('label'),
                'target_kind' => null === $to ? 'heading' : 'place',
                'place_id' => null === $to ? null : $this->id($to),
                'piece' => null,
                'on_page' => null,
            ];
            $this->entries($entry->objects('below'), $menuId, $id, "$path/$position");
        }
    }

    /** @param array<string, mixed> $layouts */
    private function layouts(array $layouts): void
    {
        foreach (self::list($layouts['pages']) as $page) {
            $id = $this->id($page->text('of'));
            $this->rows['menu'][] = ['id' => $id, 'name' => 'Front page', 'position' => 0, 'kind' => 'page'];
            $this->pieces(array_map($this->band(...), $page->objects('bands')), $id, null, $page->text('of'), $id);
        }
        foreach (self::list($layouts['panels']) as $panel) {
            $path = 'entries/'.$panel->text('menu').'/'.$panel->int('entry');
            $id = DemoId::of($path);
            $this->rows['menu'][] = ['id' => $id, 'name' => $panel->text('name'), 'position' => 0, 'kind' => 'panel'];
            $this->pieces(
                [['piece' => $panel->object('piece')->values(), 'below' => array_map($this->band(...), $panel->objects('bands'))]],
                $id,
                null,
                "panels/$path",
                null,
            );
        }
    }

    /** @param array<string, mixed> $layouts */
    private function columns(array $layouts): void
    {
        foreach (self::list($layouts['columns']) as $column) {
            $bay = $column->text('bay');
            $id = DemoId::of("columns/$bay");
            $this->rows['menu'][] = ['id' => $id, 'name' => $column->text('name'), 'position' => 0, 'kind' => 'column'];
            $this->pieces(
                [[
                    'piece' => ['kind' => 'column'],
                    'below' => array_map(static fn (Fields $piece): array => $piece->values(), $column->objects('pieces')),
                ]],
                $id,
                null,
                "columns/$bay",
                null,
            );
            foreach ($this->rows['bay'] as $n => $row) {
                if ($row['id'] === $bay) {
                    $this->rows['bay'][$n] = ['menu_id' => $id, 'share' => $column->intOr('share', 1)] + $row;
                }
            }
        }
    }

    /** @return array<string, mixed> a band with its columns, as a piece with others below it */
    private function band(Fields $band): array
    {
        return [
            'piece' => $band->object('piece')->values(),
            'below' => array_map(
                static fn (Fields $column): array => [
                    'piece' => ['kind' => 'column', 'share' => $column->intOr('share', 1)],
                    'below' => array_map(static fn (Fields $piece): array => $piece->values(), $column->objects('pieces')),
                ],
                $band->objects('columns'),
            ),
        ];
    }

    /** @param list<array<string, mixed>> $pieces */
    private function pieces(array $pieces, string $menuId, ?string $parentId, string $path, ?string $onPage): void
    {
        foreach ($pieces as $position => $values) {
            $piece = Fields::of($values);
            $id = DemoId::of("pieces/$path/$position");
            $to = $piece->textOrNull('to');
            $place = null === $to ? null : $this->id($to);
            if (null !== $piece->textOrNull('product')) {
                // The first product of a family.
                $place = array_values(array_filter(
                    $this->rows['place'],
                    static fn (array $row): bool => 'product' === $row['kind']
                        && \is_string($row['picture'])
                        && str_starts_with($row['picture'], $piece->text('product')),
                ))[0]['id']
                    ?? null;
            }
            $this->rows['entry'][] = [
                'id' => $id,
                'menu_id' => $menuId,
                'parent_id' => $parentId,
                'position' => $position,
                'label' => $piece->textOrNull('label'),
                'target_kind' => null === $place ? 'heading' : 'place',
                'place_id' => $place,
                // As the program itself writes it, so that nothing seems to have changed when it has.
                'piece' => null === ($content = $piece->objectOrNull('piece')) ? null : PieceCodec::encode(PieceCodec::decode($content)),
                'on_page' => $onPage,
            ];
            $this->pieces(
                [
                    ...array_map(static fn (Fields $one): array => $one->values(), $piece->objects('below')),
                    ...array_map($this->band(...), $piece->objects('bands')),
                ],
                $menuId,
                $id,
                "$path/$position",
                $onPage,
            );
        }
    }

    /** @param array<string, mixed> $words */
    private function redirects(array $words): void
    {
        foreach (self::list($words['redirects']) as $redirect) {
            $to = $redirect->textOrNull('to');
            $this->rows['redirect'][] = [
                'id' => DemoId::of('redirects/'.$redirect->text('from').($redirect->bool('prefix', false) ? '/*' : '')),
                'source' => $redirect->text('from'),
                'is_prefix' => $redirect->bool('prefix', false),
                'goal_place_id' => null === $to ? null : $this->id($to),
                'goal_address' => $redirect->textOrNull('address'),
                'status' => $redirect->intOr('status', 301),
                'note' => $redirect->text('note', ''),
                'created_at' => $this->today->modify('-700 days')->format(\DATE_ATOM),
            ];
        }
    }

    /** @param array<string, mixed> $words */
    private function outside(array $words): void
    {
        foreach (self::list($words['outside']) as $mention) {
            $this->rows['journal.outside_mention'][] = [
                'id' => DemoId::of('outside/'.$mention->text('name')),
                'kind' => $mention->text('kind'),
                'name' => $mention->text('name'),
                'address' => $mention->textOrNull('at') ?? $this->addresses[$mention->text('to')],
            ];
        }
        foreach (self::list($words['outside_answers']) as $answer) {
            $away = $answer->intOr('away', 0);
            $this->rows['journal.outside_answer'][] = [
                'url' => $answer->text('url'),
                'status' => $answer->int('status'),
                'moved' => $answer->textOrNull('moved'),
                'secure' => $answer->bool('secure', false),
                'away_days' => $away,
                'away_on' => $away > 0 ? $this->today->modify('-1 day')->format('Y-m-d') : null,
                'why' => $answer->text('why', ''),
                'asked_at' => $this->today->modify('-1 day')->format(\DATE_ATOM),
                'again_at' => $this->today->format(\DATE_ATOM),
            ];
        }
    }

    /**
     * Sixty days of simulated visitors: more at the weekend, more at the front, a few at old addresses.
     *
     * @param array<string, mixed> $words
     */
    private function visits(array $words): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(19870));
        $often = [];
        foreach ($this->rows['place'] as $place) {
            $address = Fields::of($place)->text('address');
            $often[$address] = match (true) {
                'closed' === ($place['light'] ?? 'open') => 0,
                '/' === $address => 60,
                'category' === $place['kind'] => max(3, 24 - 8 * substr_count($address, '/')),
                'product' === $place['kind'] => 2,
                default => 4,
            };
        }
        $often['/papers/marbled'] = 15;
        $often['/kits/calendar-kits'] = 12;
        $often['/marbled-papers'] = $often['/sale'] = $often['/blog'] = 2;
        $missed = [];
        foreach (self::list($words['missed']) as $one) {
            $missed[$one->text('address')] = $one->int('often');
        }
        $this->oldAddresses($words, $often);
        for ($day = 60; $day > 0; --$day) {
            $date = $this->today->modify("-$day days");
            $weight = (int) $date->format('N') > 5 ? 1.5 : 1.0;
            foreach (['visit' => $often, 'missed_visit' => $missed] as $table => $addresses) {
                foreach ($addresses as $address => $most) {
                    $count = (int) round($weight * $random->getInt(0, $most));
                    if ($count > 0) {
                        $this->rows["journal.$table"][] = ['address' => $address, 'day' => $date->format('Y-m-d'), 'count' => $count];
                    }
                }
            }
        }
    }

    /**
     * Most old addresses still have a visitor now and then; some have none any more.
     *
     * @param array<string, mixed> $words
     * @param array<string, int>   $often those that are told of already
     */
    private function oldAddresses(array $words, array $often): void
    {
        foreach (self::list($words['redirects']) as $n => $redirect) {
            $address = $redirect->text('from');
            if (isset($often[$address]) || $redirect->bool('unused', false)) {
                continue;
            }
            foreach ([3, 17, 31, 45] as $ago) {
                $day = $ago + $n % 11;
                $this->rows['journal.visit'][] = [
                    'address' => $address,
                    'day' => $this->today->modify("-$day days")->format('Y-m-d'),
                    'count' => 1 + ($n + $ago) % 3,
                ];
            }
        }
    }

    /**
     * @param array{by: string, tag?: string}|null                       $rule
     * @param array{stored: string, type: string, size: int}|null $file
     */
    private function place(
        string $key,
        string $kind,
        Fields $from,
        string $address,
        ?string $parent = null,
        ?string $title = null,
        ?string $picture = null,
        int $position = 0,
        ?array $rule = null,
        ?array $file = null,
        ?string $publishedOn = null,
        string $purpose = '',
    ): string {
        $id = DemoId::of($key);
        $this->addresses[$key] = $address;
        $picture ??= $from->textOrNull('picture');
        if (null !== $picture) {
            $this->pictures[$picture] ??= '';
        }
        $this->rows['place'][] = [
            'id' => $id,
            'kind' => $kind,
            'title' => $title ?? $from->text('title'),
            'address' => $address,
            'parent_id' => null === $parent ? null : $this->id($parent),
            'position' => 0 === $position ? \count($this->rows['place'] ?? []) : $position,
            'summary' => $from->text('summary', $from->text('text', '')),
            'picture' => $picture,
            'light' => $from->text('light', 'open'),
            'listed' => $from->bool('listed', true),
            'rule' => $rule,
            'file' => $file,
            'published_on' => $publishedOn,
            'serving' => $from->text('serving', 'shown'),
            'download_name' => $from->text('download_name', ''),
            'purpose' => $purpose,
            'changed_at' => $this->today->modify(\sprintf('-%d days', crc32($key) % 300 + 2))->format(\DATE_ATOM),
            'changed_by' => 0 === crc32($key) % 3 ? 'Joss Tamblyn' : 'Imke Ravensworth',
        ];
        $html = $from->textOrNull('html');
        if (null !== $html) {
            $this->rows['words'][] = [
                'id' => $id,
                'html' => (string) preg_replace_callback(
                    '/place:([a-z-]+\/[a-z-]+)/',
                    static fn (array $m): string => 'place:'.DemoId::of($m[1]),
                    $html,
                ),
            ];
        }

        return $id;
    }

    private function id(string $key): string
    {
        return isset($this->addresses[$key])
            ? DemoId::of($key)
            : throw new \LogicException("The demo data speak of $key, which is not there.");
    }

    /** @return array<string, mixed> */
    private static function map(mixed $value): array
    {
        /** @var array<string, mixed> $map */
        $map = \is_array($value) ? $value : [];

        return $map;
    }

    /** @return list<Fields> */
    private static function list(mixed $value): array
    {
        return array_map(static fn (mixed $item): Fields => Fields::of($item), \is_array($value) ? array_values($value) : []);
    }
}
