<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Http\Id;
use Lantern\Admin\Http\ListSize;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\Refused;
use Lantern\Core\Shop\HeaderShape;
use Lantern\Core\Shop\SettingWords;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** One change of the frame, with what that change needs. */
#[OA\Schema]
final readonly class FrameChangeInput
{
    /** @param list<SeenVersion>|null $seen */
    public function __construct(
        #[OA\Property]
        public FrameChange $type,
        #[OA\Property(
            description: 'For hang, take-down, swap, heading, for columns and bays beside pages, and, to hang it at once, make',
        ),
            Assert\Length(max: 60),]
        public ?string $bay = null,
        #[OA\Property(description: 'For swap: the other bay'), Assert\Length(max: 60)]
        public ?string $other = null,
        #[OA\Property(description: 'For hang, rename and remove'), Id]
        public ?string $menuId = null,
        #[OA\Property(
            description: 'For heading, make, rename, notice; for without-menu: categories or nothing; for header and look: what is '
                .'chosen; for keep-looks: their name; for wordmark: a picture of the shop; for widen-column: parts of the width; for '
                .'fill-beside: yes or no',
        ),
            Assert\Length(max: 5000),]
        public ?string $words = null,
        #[OA\Property(description: 'For remove')]
        public bool $evenIfItHangs = false,
        #[OA\Property(description: 'For header and look: which of their settings'), Assert\Length(max: 40)]
        public ?string $setting = null,
        #[OA\Property(description: 'For make-beside: the page group'), Id]
        public ?string $place = null,
        #[OA\Property(description: 'For shift-column: whether towards the end')]
        public bool $towardsEnd = false,
        #[OA\Property(description: 'For take-looks and forget-looks: which set'), Assert\Length(max: 40)]
        public ?string $set = null,
        #[OA\Property(
            type: 'array',
            nullable: true,
            items: new OA\Items(ref: SeenVersion::class),
            description: 'The `versions` of the frame that was shown: where what is changed is another by now, the answer is 412. '
                .'Without it, it is changed whatever it is',
        ),
            ListSize(max: 1000),
            Assert\Valid,]
        public ?array $seen = null,
    ) {
    }

    /** @return list<string> what the change is of, as `versions` of the frame names it */
    public function concerns(): array
    {
        return match ($this->type) {
            FrameChange::Hang, FrameChange::TakeDown, FrameChange::Heading, FrameChange::MakeColumn, FrameChange::ShiftColumn,
            FrameChange::WidenColumn, FrameChange::FillBeside, FrameChange::RemoveBeside => [
                "bay:{$this->bay()}",
            ],
            FrameChange::Swap => ["bay:{$this->bay()}", "bay:{$this->other()}"],
            FrameChange::Notice => ['setting:notice'],
            FrameChange::LastLine => ['setting:'.SettingWords::LAST_LINE],
            FrameChange::WithoutMenu => ['setting:'.HeaderWithoutMenu::SETTING],
            FrameChange::Wordmark => ['setting:'.HeaderShape::WORDMARK],
            FrameChange::Look, FrameChange::Header => ["setting:{$this->setting()}"],
            // A whole set goes over all of them.
            FrameChange::TakeLooks => array_map(
                static fn (string $setting): string => "setting:$setting",
                array_keys(Looks::of()->values()),
            ),
            FrameChange::Make => null === $this->bay ? [] : ["bay:{$this->bay}"],
            // A menu counts the versions of itself; a set that is kept or forgotten changes nothing of the frame.
            FrameChange::Rename, FrameChange::Remove, FrameChange::MakeBeside, FrameChange::KeepLooks, FrameChange::ForgetLooks => [],
        };
    }

    public function bay(): string
    {
        return $this->bay ?? throw new Refused('bay', 'Say which bay of the frame.');
    }

    public function other(): string
    {
        return $this->other ?? throw new Refused('other', 'Say which other bay.');
    }

    public function menuId(): string
    {
        return $this->menuId ?? throw new Refused('menuId', 'Say which menu.');
    }

    public function setting(): string
    {
        return $this->setting ?? throw new Refused('setting', 'Say which setting.');
    }

    public function place(): string
    {
        return $this->place ?? throw new Refused('place', 'Say which page group.');
    }

    public function set(): string
    {
        return $this->set ?? throw new Refused('set', 'Say which set of looks.');
    }

    public function words(): string
    {
        return $this->words ?? throw new Refused('words', 'Type the words.');
    }
}
