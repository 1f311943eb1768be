<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\PlaceViews;
use Lantern\Admin\View\DetailsView;
use Lantern\Admin\View\DetailView;
use Lantern\Admin\View\DoneView;
use Lantern\Admin\View\FooterView;
use Lantern\Admin\View\PoliciesView;
use Lantern\Admin\View\StartingTextView;
use Lantern\Core\Policy\StartingText;
use Lantern\Core\Refused;
use Lantern\Core\Shop\ShopDetail;
use Lantern\Persistence\Bay;
use Lantern\Persistence\Copies;
use Lantern\Persistence\PolicyWriter;
use Lantern\Persistence\ShopDetails;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
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
    #[OA\Get(path: '/api/policies', summary: 'The policies that every shop needs, and which of them are written', responses: [new OA\Response(response: 200, description: 'Policies', content: new OA\JsonContent(ref: PoliciesView::class))])]
    public function policies(): Response
    {
        $written = $this->writer->written();
        $places = $this->copies->workbench->places->byIds(array_values($written));
        $inFooter = $this->writer->inTheFooter();
        $menus = $this->copies->workbench->menus;
        $names = $menus->names();
        $footers = [];
        foreach ($menus->bays() as $bay) {
            if (str_starts_with($bay->id, 'footer-')) {
                $footers[] = new FooterView($bay->id, Bay::words($bay->id), null === $bay->menuId ? null : $names[$bay->menuId] ?? null);
            }
        }

        return $this->api->json(new PoliciesView(
            array_map(function (StartingText $text) use ($written, $places, $inFooter): StartingTextView {
                $id = $written[$text->value] ?? '';

                return new StartingTextView($text->value, $text->title(), $text->says(), isset($places[$id]) ? $this->views->brief($places[$id]) : null, \in_array($id, $inFooter, true));
            }, StartingText::cases()),
            $footers,
            $this->writer->suggestedBay(),
        ));
    }

    #[Route('/api/policies', methods: ['POST'])]
    #[OA\Post(path: '/api/policies', summary: 'Writes policies that are missing, and leads to them from the footer', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['texts'], properties: [
        new OA\Property(property: 'texts', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'footer', type: 'string', nullable: true, description: 'Id of a column of the footer; null: in no menu'),
        new OA\Property(property: 'listed', type: 'boolean'),
    ])), responses: [new OA\Response(response: 200, description: 'The step', content: new OA\JsonContent(ref: DoneView::class))])]
    public function write(Request $request, #[CurrentUser] Account $account): Response
    {
        $body = $this->api->body($request);
        $texts = array_map(static fn (string $name): StartingText => StartingText::tryFrom($name) ?? throw new Refused('texts', "There is no starting text called “{$name}”."), $body->textsOr('texts', []));

        return $this->api->json(DoneView::of($this->writer->write($texts, $body->textOrNull('footer'), $body->bool('listed', true), $account->person)));
    }

    #[Route('/api/details', methods: ['GET'])]
    #[OA\Get(path: '/api/details', summary: 'What the shop says of itself', responses: [new OA\Response(response: 200, description: 'Details', content: new OA\JsonContent(ref: DetailsView::class))])]
    public function details(): Response
    {
        return $this->api->json($this->detailsView());
    }

    #[Route('/api/details', methods: ['PATCH'])]
    #[OA\Patch(path: '/api/details', summary: 'Changes details of the shop', parameters: [
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string'))), responses: [new OA\Response(response: 200, description: 'Details', content: new OA\JsonContent(ref: DetailsView::class))])]
    public function change(Request $request): Response
    {
        $body = $this->api->body($request);
        $typed = [];
        foreach (ShopDetail::cases() as $detail) {
            if ($body->has($detail->value)) {
                $typed[$detail->value] = $body->text($detail->value);
            }
        }

        return $this->api->changed(fn () => $this->details->change($this->api->version($request), $typed), $this->detailsView(...));
    }

    private function detailsView(): DetailsView
    {
        $all = $this->details->all();

        return new DetailsView(ShopDetails::version($all), array_map(static fn (ShopDetail $detail): DetailView => new DetailView($detail->value, $detail->words(), $all[$detail->value]), ShopDetail::cases()));
    }
}
