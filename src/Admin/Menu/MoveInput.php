<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Core\Piece\BandWidth;
use Lantern\Core\Piece\ContactDetail;
use Lantern\Core\Piece\PieceKind;
use Lantern\Core\Piece\ProductForm;
use Lantern\Core\Piece\ProductOrder;
use Lantern\Core\Piece\ProductSource;
use OpenApi\Attributes as OA;

/** The shape of a move in a menu; MoveCodec reads it. */
#[OA\Schema(
    schema: 'MoveInput',
    required: ['type'],
    properties: [
        new OA\Property(
            property: 'type',
            type: 'string',
            enum: [
                'insert',
                'remove',
                'lift',
                'gather',
                'relocate',
                'shift',
                'rewrite',
                'shift-all',
                'relocate-all',
                'remove-all',
                'together',
            ],
        ),
        new OA\Property(property: 'entryId', type: 'string', description: 'For remove, lift, relocate and shift'),
        new OA\Property(
            property: 'entryIds',
            type: 'array',
            items: new OA\Items(type: 'string'),
            description: 'For those that move several',
        ),
        new OA\Property(property: 'childrenStay', type: 'boolean', description: 'For remove-all'),
        new OA\Property(property: 'direction', type: 'string', enum: ['up', 'down', 'in', 'out'], description: 'For shift'),
        new OA\Property(property: 'entry', ref: '#/components/schemas/EntryInput', description: 'For insert, gather and rewrite'),
        new OA\Property(property: 'at', ref: '#/components/schemas/PositionInput', description: 'For insert and gather'),
        new OA\Property(
            property: 'to',
            ref: '#/components/schemas/PositionInput',
            description: 'For relocate; counted without the entry itself',
        ),
        new OA\Property(property: 'count', type: 'integer', description: 'For gather: how many of the following entries go below'),
        new OA\Property(
            property: 'moves',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/MoveInput'),
            description: 'For together: one step made of several',
        ),
    ],
)]
#[OA\Schema(
    schema: 'PositionInput',
    required: ['index'],
    properties: [
        new OA\Property(property: 'parentId', type: 'string', nullable: true, description: 'Null or missing: the first level'),
        new OA\Property(property: 'index', type: 'integer'),
    ],
)]
#[OA\Schema(
    schema: 'TargetInput',
    required: ['kind'],
    properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['place', 'outside', 'contact', 'heading']),
        new OA\Property(property: 'placeId', type: 'string', nullable: true),
        new OA\Property(property: 'part', type: 'string', description: 'An anchor within the place'),
        new OA\Property(property: 'uri', type: 'string'),
        new OA\Property(property: 'narrowing', ref: '#/components/schemas/NarrowingInput', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'NarrowingInput',
    properties: [
        new OA\Property(
            property: 'choices',
            type: 'object',
            description: 'Values by the key of a filter, such as maker or option.Sheet size; a category by its id',
            additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'string')),
        ),
        new OA\Property(property: 'priceFrom', type: 'integer', nullable: true, description: 'In the smallest unit of the currency'),
        new OA\Property(property: 'priceTo', type: 'integer', nullable: true),
        new OA\Property(property: 'inStock', type: 'boolean'),
    ],
)]
#[OA\Schema(
    schema: 'FillingInput',
    required: ['source'],
    properties: [
        new OA\Property(property: 'source', type: 'string', enum: ['pages', 'categories', 'products', 'newest']),
        new OA\Property(property: 'placeId', type: 'string', nullable: true),
        new OA\Property(property: 'kind', type: 'string', enum: ['product', 'page', 'article', 'collection'], nullable: true),
        new OA\Property(property: 'depth', type: 'integer'),
        new OA\Property(property: 'most', type: 'integer'),
        new OA\Property(property: 'order', type: 'string', enum: ['hand', 'name', 'price', 'newest']),
        new OA\Property(property: 'labels', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
        new OA\Property(property: 'leftOut', type: 'array', items: new OA\Items(type: 'string')),
    ],
)]
#[OA\Schema(
    schema: 'EntryInput',
    required: ['id', 'target'],
    properties: [
        new OA\Property(property: 'id', type: 'string', description: 'A new UUIDv7 for a new entry'),
        new OA\Property(property: 'target', ref: '#/components/schemas/TargetInput'),
        new OA\Property(property: 'label', type: 'string', nullable: true, maxLength: 200),
        new OA\Property(property: 'children', type: 'array', items: new OA\Items(ref: '#/components/schemas/EntryInput')),
        new OA\Property(property: 'enabled', type: 'boolean'),
        new OA\Property(property: 'audience', type: 'string', enum: ['everyone', 'guests', 'customers']),
        new OA\Property(property: 'from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'until', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'newTab', type: 'boolean'),
        new OA\Property(property: 'note', type: 'string', maxLength: 500),
        new OA\Property(property: 'filling', ref: '#/components/schemas/FillingInput', nullable: true),
        new OA\Property(
            property: 'piece',
            ref: '#/components/schemas/PieceInput',
            nullable: true,
            description: 'In a page or panel; without it a link',
        ),
    ],
)]
#[OA\Schema(
    schema: 'PieceInput',
    required: ['kind'],
    properties: [
        new OA\Property(property: 'kind', type: 'string', enum: PieceKind::class),
        new OA\Property(property: 'html', type: 'string', description: 'Of words'),
        new OA\Property(property: 'level', type: 'integer', description: 'Of a heading, 2 to 4'),
        new OA\Property(property: 'name', type: 'string', description: 'Of a picture of the shop'),
        new OA\Property(property: 'shows', type: 'string', description: 'What a picture shows'),
        new OA\Property(
            property: 'share',
            type: 'integer',
            description: 'Of a picture in hundredths of its column; of a column in parts of its band',
        ),
        new OA\Property(property: 'main', type: 'boolean', description: 'Of a button'),
        new OA\Property(property: 'source', type: 'string', enum: ProductSource::class),
        new OA\Property(property: 'tag', type: 'string'),
        new OA\Property(property: 'most', type: 'integer', description: 'Products, 1 to 24'),
        new OA\Property(property: 'order', type: 'string', enum: ProductOrder::class),
        new OA\Property(property: 'form', type: 'string', enum: ProductForm::class),
        new OA\Property(property: 'price', type: 'boolean'),
        new OA\Property(property: 'basket', type: 'boolean'),
        new OA\Property(
            property: 'inDrawer',
            type: 'boolean',
            description: 'Words, a picture or products of a wide panel that the phone’s drawer shows as they are',
        ),
        new OA\Property(property: 'ofChildren', type: 'boolean', description: 'Cards of what stands below the place'),
        new OA\Property(property: 'beside', type: 'boolean', description: 'Tabs beside what they show'),
        new OA\Property(property: 'turns', type: 'boolean', description: 'A carousel that scrolls by itself'),
        new OA\Property(property: 'width', type: 'string', enum: BandWidth::class),
        new OA\Property(property: 'gap', type: 'integer'),
        new OA\Property(property: 'room', type: 'integer'),
        new OA\Property(property: 'distance', type: 'integer'),
        new OA\Property(property: 'byClick', type: 'boolean'),
        new OA\Property(property: 'fades', type: 'boolean'),
        new OA\Property(
            property: 'details',
            type: 'array',
            items: new OA\Items(type: 'string', enum: ContactDetail::class),
            description: 'Of contact: which of the shop’s details',
        ),
        new OA\Property(property: 'words', type: 'string', description: 'Of sign-up: what one gets'),
        new OA\Property(property: 'button', type: 'string', description: 'Of sign-up: label of the button'),
        new OA\Property(property: 'agreed', type: 'string', description: 'Of sign-up: what is agreed to'),
        new OA\Property(property: 'list', type: 'string', description: 'Of sign-up: name of the list; empty: none yet'),
        new OA\Property(
            property: 'ground',
            type: 'object',
            properties: [
                new OA\Property(property: 'colour', type: 'string', nullable: true),
                new OA\Property(property: 'picture', type: 'string', nullable: true),
            ],
        ),
        new OA\Property(property: 'colours', type: 'object', properties: [
            new OA\Property(
                property: 'heading',
                type: 'string',
            ), new OA\Property(property: 'text', type: 'string'), new OA\Property(property: 'link', type: 'string'),
            new OA\Property(property: 'pointed', type: 'string'), new OA\Property(property: 'divider', type: 'string'),
        ]),
    ],
)]
final class MoveInput
{
}
