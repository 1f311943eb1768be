<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Refused;

/** A form with one field, by which a visitor asks to be written to. Its label is the heading above it. */
final readonly class SignUp extends Piece
{
    public const MAX_WORDS = 600;
    public const MAX_BUTTON = 40;
    public const MAX_LIST = 60;

    /**
     * @param string $words  what one gets
     * @param string $button label of the button; empty: "Sign up"
     * @param string $agreed what is agreed to by it, as it is kept with each address
     * @param string $list   its name; empty: there is none yet, and visitors see nothing of the form
     */
    public function __construct(public string $words = '', public string $button = '', public string $agreed = '', public string $list = '')
    {
        foreach ([
            'words' => [$words, self::MAX_WORDS],
            'agreed' => [$agreed, self::MAX_WORDS],
            'button' => [$button, self::MAX_BUTTON],
            'list' => [$list, self::MAX_LIST],
        ] as $field => [$text, $most]) {
            if (mb_strlen($text) > $most) {
                throw new Refused($field, \sprintf('At most %d characters stand here; this has %d. Shorten it.', $most, mb_strlen($text)));
            }
        }
        if ($list !== trim((string) preg_replace('/\s+/u', ' ', $list))) {
            throw new Refused('list', 'Write the name of the list without spaces around it.');
        }
    }

    public function kind(): PieceKind
    {
        return PieceKind::SignUp;
    }

    public function buttonWords(): string
    {
        return '' === $this->button ? 'Sign up' : $this->button;
    }
}
