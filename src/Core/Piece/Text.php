<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\With;

/** Words: HTML that was cleaned when it was stored, as the words of a place. */
final readonly class Text extends Piece implements ForDrawer
{
    use With;

    public function __construct(public string $html = '', public bool $inDrawer = false)
    {
    }

    public function withHtml(string $html): self
    {
        return $this->with(['html' => $html]);
    }

    public function isEmpty(): bool
    {
        return '' === trim(strip_tags($this->html, ['img', 'video', 'hr', 'span']));
    }

    public function kind(): PieceKind
    {
        return PieceKind::Words;
    }

    public function isInDrawer(): bool
    {
        return $this->inDrawer;
    }
}
