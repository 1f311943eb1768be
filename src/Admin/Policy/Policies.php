<?php

declare(strict_types=1);

namespace Lantern\Admin\Policy;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\DoneView;
use Lantern\Admin\Http\IfMatch;
use Lantern\Admin\Place\PlaceViews;
use Lantern\Core\Menu\Bay;
use Lantern\Core\Policy\StartingText;
use Lantern\Core\Shop\ShopDetail;
use Lantern\Core\Words\Blank;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Policies\PolicyWriter;
use Lantern\Workbench\Shop\ShopDetails;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Policies from their starting texts, and the details of the shop that fill them. */
#[AsController]
final readonly class Policies
{
    public function __construct(
        private Api $api,
        private PlaceViews $views,
        private PolicyWriter $writer,
        private ShopDetails $details,
        private Copies $copies,
    ) {
    }

    #[Route('/api/policies', methods: ['GET'])]
    #[OA\Get(
        path: '/api/policies',
        summary: 'The policies that every shop needs, and which of them are written',
        responses: [new OA\Response(response: 200, description: 'Policies', content: new OA\JsonContent(ref: PoliciesView::class))],
    )]
    public function policies(): Response
    {
        $written = $this->writer->written();
        $places = $this->copies->workbench->places->byIds(array_values($written));
        $inFooter = $this->writer->inTheFooter();
        $menus = $this->copies->workbench->menus;
        $names = $menus->names();
        $columns = $menus->columns();
        $footers = [];
        foreach ($menus->bays() as $bay) {
            // Policies are lines of a menu; a column of pieces takes none.
            if ($bay->isFooter() && !isset($columns[$bay->menuId ?? ''])) {
                $footers[] = new FooterView($bay->id, Bay::words($bay->id), null === $bay->menuId ? null : $names[$bay->menuId] ?? null);
            }
        }

        return $this->api->json(new PoliciesView(
            array_map(function (StartingText $text) use ($written, $places, $inFooter): StartingTextView {
                $id = $written[$text->value] ?? '';

                return new StartingTextView(
                    $text->value,
                    $text->title(),
                    $text->says(),
                    isset($places[$id]) ? $this->views->brief($places[$id]) : null,
                    \in_array($id, $inFooter, true),
                );
            }, StartingText::cases()),
            $footers,
            $this->writer->suggestedBay(),
        ));
    }

    #[Route('/api/policies', methods: ['POST'])]
    #[OA\Post(
        path: '/api/policies',
        summary: 'Writes policies that are missing, and leads to them from the footer',
        responses: [new OA\Response(response: 200, description: 'The step', content: new OA\JsonContent(ref: DoneView::class))],
    )]
    public function write(#[Body] PoliciesInput $input, #[CurrentUser] Account $account): Response
    {
        return $this->api->edited(fn (): Edit => $this->writer->write($input->texts, $input->footer, $input->listed, $account->actor()));
    }

    #[Route('/api/details', methods: ['GET'])]
    #[OA\Get(
        path: '/api/details',
        summary: 'What the shop says of itself',
        responses: [new OA\Response(response: 200, description: 'Details', content: new OA\JsonContent(ref: DetailsView::class))],
    )]
    public function details(): Response
    {
        return $this->api->json($this->detailsView());
    }

    #[Route('/api/details', methods: ['PATCH'])]
    #[OA\Patch(
        path: '/api/details',
        summary: 'Changes details of the shop',
        responses: [new OA\Response(response: 200, description: 'Details', content: new OA\JsonContent(ref: DetailsView::class))],
    )]
    public function change(#[Body] DetailsInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->api->changed(fn () => $this->details->change($version, $input->typed(), $account->actor()), $this->detailsView(...));
    }

    private function detailsView(): DetailsView
    {
        $all = $this->details->all();

        return new DetailsView(
            ShopDetails::version($all),
            array_map(
                static fn (ShopDetail $detail): DetailView => new DetailView(
                    $detail->value,
                    $detail->words(),
                    $all[$detail->value],
                    Blank::isFilledBy($detail->value),
                ),
                ShopDetail::cases(),
            ),
        );
    }
}
