<?php

declare(strict_types=1);

namespace Lantern\Admin\Policy;

use Lantern\Core\Shop\ShopDetail;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Details of the shop; what is left out stays. */
#[OA\Schema]
final class DetailsInput
{
    #[OA\Property, Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim')]
    public ?string $name = null;
    #[OA\Property, Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim')]
    public ?string $tagline = null;
    #[OA\Property, Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim')]
    public ?string $company = null;
    #[OA\Property, Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim')]
    public ?string $mail = null;
    #[OA\Property, Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim')]
    public ?string $country = null;
    #[OA\Property, Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim')]
    public ?string $phone = null;
    #[OA\Property, Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim')]
    public ?string $street = null;
    #[OA\Property(property: 'days_to_return'), Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim')]
    public ?string $days_to_return = null;
    #[OA\Property(property: 'time_zone', description: 'A name of the IANA time zone database'),
        Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim'),]
    public ?string $time_zone = null;
    #[OA\Property, Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim')]
    public ?string $notice = null;
    #[OA\Property(property: 'days_to_keep', description: 'After how many days counts of visits end'),
        Assert\Length(max: ShopDetail::MAX_LENGTH, normalizer: 'trim'),]
    public ?string $days_to_keep = null;

    /** @return array<string, string> what was typed, by name of the detail */
    public function typed(): array
    {
        return array_filter(get_object_vars($this), \is_string(...));
    }
}
