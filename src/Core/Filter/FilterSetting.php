<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

use Lantern\Core\Refused;

/** How the shop words one filter: what it is called, what its choices are called, in which order they stand, and which are the same. */
final readonly class FilterSetting
{
    public const MAX_LABEL = 60;
    public const MOST_VALUES = 1000;

    /**
     * @param string                   $label  in place of the property's own name; empty: that name
     * @param list<string>             $byHand values in the order that somebody chose
     * @param array<array-key, string> $labels what values are called, by value
     * @param array<array-key, string> $same   the value that another one stands for, by that other one: "50x70" => "50 × 70 cm"
     *
     * @throws Refused where a label is too long, or values that mean the same go round
     */
    public function __construct(
        public string $label = '',
        public ChoiceOrder $order = ChoiceOrder::Name,
        public array $byHand = [],
        public array $labels = [],
        public array $same = [],
    ) {
        foreach ([$label, ...array_values($labels)] as $one) {
            if (mb_strlen($one) > self::MAX_LABEL) {
                throw new Refused(
                    'label',
                    \sprintf(
                        '“%s” is too long. A filter and its choices are called by at most %d characters.',
                        mb_strimwidth($one, 0, 40, '…'),
                        self::MAX_LABEL,
                    ),
                );
            }
        }
        if (max(\count($byHand), \count($labels), \count($same)) > self::MOST_VALUES) {
            throw new Refused('choices', \sprintf('At most %d choices of a filter can be worded.', self::MOST_VALUES));
        }
        foreach ($same as $value => $as) {
            if ((string) $value === $as || isset($same[$as])) {
                throw new Refused(
                    'same',
                    \sprintf('“%s” is itself shown as another choice. Put both under that one.', mb_strimwidth($as, 0, 40, '…')),
                );
            }
        }
    }

    /** The value that stands for this one in the shop. */
    public function canonical(string $value): string
    {
        return $this->same[$value] ?? $value;
    }

    /** @return list<string> a value with all that mean the same */
    public function alike(string $value): array
    {
        $value = $this->canonical($value);

        return [$value, ...array_map(strval(...), array_keys($this->same, $value, true))];
    }

    public function labelOf(string $value): string
    {
        return $this->labels[$value] ?? $value;
    }

    /**
     * With other words for some of it.
     *
     * @param list<string>|null        $byHand
     * @param array<array-key, string> $labels by value; empty: its own name again
     * @param array<array-key, string> $same   by value, the one that is to stand for it; empty: it stands for itself again
     *
     * @throws Refused
     */
    public function changed(
        ?string $label = null,
        ?ChoiceOrder $order = null,
        ?array $byHand = null,
        array $labels = [],
        array $same = [],
    ): self {
        $words = array_replace($this->labels, array_map(trim(...), $labels));
        $stands = $this->same;
        foreach ($same as $value => $as) {
            $value = (string) $value;
            if ('' === $as) {
                unset($stands[$value]);
                continue;
            }
            $as = $stands[$as] ?? $as;
            if ($as === $value) {
                throw new Refused(
                    'same',
                    \sprintf('“%s” stands for the other one already. Separate the two first.', mb_strimwidth($value, 0, 40, '…')),
                );
            }
            // Whatever it stood for goes along with it.
            $stands = array_map(static fn (string $one): string => $one === $value ? $as : $one, $stands);
            $stands[$value] = $as;
        }

        return new self(
            null === $label ? $this->label : trim($label),
            $order ?? $this->order,
            $byHand ?? $this->byHand,
            array_filter($words, static fn (string $one): bool => '' !== $one),
            $stands,
        );
    }

    public function isUsual(): bool
    {
        return '' === $this->label
            && ChoiceOrder::Name === $this->order
            && [] === $this->byHand
            && [] === $this->labels
            && [] === $this->same;
    }

    /** As a setting keeps it: JSON, and nothing where all is as usual. */
    public function stored(): string
    {
        return $this->isUsual() ? '' : json_encode(array_filter([
            'label' => $this->label,
            'order' => ChoiceOrder::Name === $this->order ? null : $this->order->value,
            'byHand' => $this->byHand,
            'labels' => (object) $this->labels,
            'same' => (object) $this->same,
        ], static fn (mixed $one): bool => !\in_array(
            $one,
            ['', null, []],
            true,
        ) && (!\is_object($one) || [] !== (array) $one)), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
    }

    /** What cannot be read is as usual. */
    public static function fromStored(string $json): self
    {
        $stored = json_decode($json, true);
        if (!\is_array($stored)) {
            return new self();
        }
        $texts = static fn (mixed $given): array => \is_array($given) ? array_filter($given, \is_string(...)) : [];
        try {
            return new self(
                \is_string($stored['label'] ?? null) ? $stored['label'] : '',
                \is_string($stored['order'] ?? null) ? ChoiceOrder::tryFrom($stored['order']) ?? ChoiceOrder::Name : ChoiceOrder::Name,
                array_values($texts($stored['byHand'] ?? null)),
                $texts($stored['labels'] ?? null),
                $texts($stored['same'] ?? null),
            );
        } catch (Refused) {
            return new self();
        }
    }
}
