<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Http\Id;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Place\Revision;
use Lantern\Core\Place\Serving;
use Lantern\Core\Place\Title;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** What shall become different about a place; what is left out stays as it is. */
#[OA\Schema]
final class RevisionInput
{
    #[OA\Property, Assert\Length(max: Title::MAX_LENGTH, normalizer: 'trim')]
    public ?string $title = null;
    #[OA\Property, Assert\Length(max: Revision::MAX_SUMMARY, normalizer: 'trim')]
    public ?string $summary = null;
    #[OA\Property(description: 'Empty: none'), Assert\Length(max: 200)]
    public ?string $picture = null;
    #[OA\Property]
    public ?Light $light = null;
    #[OA\Property(ref: OpeningInput::class), Assert\Valid]
    public ?OpeningInput $opening = null;
    #[OA\Property]
    public ?Audience $audience = null;
    #[OA\Property(ref: ClosingInput::class), Assert\Valid]
    public ?ClosingInput $closing = null;
    #[OA\Property(ref: SearchListingInput::class), Assert\Valid]
    public ?SearchListingInput $listing = null;
    /** Left without a value, so that null can be told from what was not said. */
    #[OA\Property(description: 'Null: it stands on its own'), Id]
    public ?string $parent;
    #[OA\Property(ref: CollectionRuleInput::class), Assert\Valid]
    public ?CollectionRuleInput $rule = null;
    #[OA\Property]
    public ?Serving $serving = null;
    #[OA\Property, Assert\Length(max: Revision::MAX_DOWNLOAD_NAME)]
    public ?string $downloadName = null;

    /** @throws \Lantern\Core\Refused */
    public function revision(): Revision
    {
        return new Revision(
            title: $this->title,
            summary: $this->summary,
            picture: $this->picture,
            light: $this->light,
            opening: $this->opening?->opening(),
            audience: $this->audience,
            closing: $this->closing?->closing(),
            listing: $this->listing?->listing(),
            standing: \array_key_exists('parent', get_object_vars($this)) ? new PlaceParent($this->parent) : null,
            rule: $this->rule?->rule(),
            serving: $this->serving,
            downloadName: $this->downloadName,
        );
    }
}
