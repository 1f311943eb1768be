<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use Lantern\Core\Place\Audience;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Closing;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Revision;
use Lantern\Core\Place\SearchListing;
use Lantern\Core\Place\Serving;
use Lantern\Core\Place\Standing;
use Lantern\Persistence\Fields;
use OpenApi\Attributes as OA;

/** What shall become different about a place; what is left out stays as it is. */
#[OA\Schema(schema: 'RevisionInput', properties: [
    new OA\Property(property: 'title', type: 'string', maxLength: 200),
    new OA\Property(property: 'summary', type: 'string', maxLength: 500),
    new OA\Property(property: 'picture', type: 'string', description: 'Empty: none'),
    new OA\Property(property: 'light', type: 'string', enum: ['open', 'quiet', 'closed']),
    new OA\Property(property: 'opening', type: 'object', required: ['from', 'until'], properties: [
        new OA\Property(property: 'from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'until', type: 'string', format: 'date-time', nullable: true),
    ]),
    new OA\Property(property: 'audience', type: 'string', enum: ['everyone', 'guests', 'customers']),
    new OA\Property(property: 'closing', type: 'object', required: ['answer'], properties: [
        new OA\Property(property: 'answer', type: 'string', enum: ['not-found', 'gone', 'elsewhere']),
        new OA\Property(property: 'to', type: 'string', nullable: true, description: 'With elsewhere: id of the place'),
    ]),
    new OA\Property(property: 'listing', type: 'object', required: ['listed', 'title', 'description'], properties: [
        new OA\Property(property: 'listed', type: 'boolean'),
        new OA\Property(property: 'title', type: 'string', maxLength: 200),
        new OA\Property(property: 'description', type: 'string', maxLength: 500),
    ]),
    new OA\Property(property: 'parent', type: 'string', nullable: true, description: 'Null: it stands on its own'),
    new OA\Property(property: 'rule', type: 'object', required: ['by'], properties: [
        new OA\Property(property: 'by', type: 'string', enum: ['hand', 'tag', 'reduced', 'newest', 'featured']),
        new OA\Property(property: 'tag', type: 'string'),
    ]),
    new OA\Property(property: 'serving', type: 'string', enum: ['shown', 'new-tab', 'download']),
    new OA\Property(property: 'downloadName', type: 'string', maxLength: 200),
])]
final class RevisionInput
{
    public static function read(Fields $body): Revision
    {
        return new Revision(
            title: $body->textOrNull('title'),
            summary: $body->textOrNull('summary'),
            picture: $body->textOrNull('picture'),
            light: $body->has('light') ? $body->choice('light', Light::class, Light::Open) : null,
            opening: $body->has('opening') ? self::opening($body->object('opening')) : null,
            audience: $body->has('audience') ? $body->choice('audience', Audience::class, Audience::Everyone) : null,
            closing: $body->has('closing') ? self::closing($body->object('closing')) : null,
            listing: $body->has('listing') ? self::listing($body->object('listing')) : null,
            standing: $body->has('parent') ? new Standing($body->uuidOrNull('parent')) : null,
            rule: $body->has('rule') ? CollectionRule::of($body->object('rule')->text('by'), $body->object('rule')->text('tag', '')) : null,
            serving: $body->has('serving') ? $body->choice('serving', Serving::class, Serving::Shown) : null,
            downloadName: $body->textOrNull('downloadName'),
        );
    }

    private static function opening(Fields $opening): Opening
    {
        return new Opening($opening->moment('from'), $opening->moment('until'));
    }

    private static function closing(Fields $closing): Closing
    {
        $answer = $closing->choice('answer', ClosedAnswer::class, ClosedAnswer::NotFound);

        return new Closing($answer, ClosedAnswer::Elsewhere === $answer ? $closing->uuidOrNull('to') : null);
    }

    private static function listing(Fields $listing): SearchListing
    {
        return new SearchListing($listing->bool('listed', true), $listing->text('title', ''), $listing->text('description', ''));
    }
}
