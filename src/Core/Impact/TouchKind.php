<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** What happens to what a change touches. Beside each, which parts of the touch it uses. */
enum TouchKind: string
{
    /* The address of a place. */
    /** at */
    case GoesOnOpening = 'goes-on-opening';
    /** at, arrival */
    case AnswersNow = 'answers-now';
    /** moment */
    case OpensByItself = 'opens-by-itself';
    /** moment */
    case ClosesByItself = 'closes-by-itself';
    /** at, arrival, count: visits in 30 days */
    case LeadsOn = 'leads-on';
    /** things: what nobody knows, or none where they are many */
    case NobodyKnows = 'nobody-knows';
    /** at: where visitors know it; things: the title of the other place */
    case AnotherOpensThere = 'another-opens-there';

    /* An entry of a menu. */
    /** at: the menu; things: the label */
    case EntryGoes = 'entry-goes';
    /** at: the menu; things: the label, with its trail */
    case EntryGoesForGood = 'entry-goes-for-good';
    /** at: the menu; things: the label */
    case EntryComes = 'entry-comes';
    /** at: the menu; things: the label; count: entries below */
    case EntryBecomesHeading = 'entry-becomes-heading';
    /** at: the menu; things: the label */
    case HeadingLeads = 'heading-leads';
    /** things: menus */
    case MenusFollow = 'menus-follow';

    /* Lists, search, the sitemap. */
    /** things: pages */
    case ListsShowIt = 'lists-show-it';
    /** things: pages */
    case ListsLeaveItOut = 'lists-leave-it-out';
    case ProductsKeepTheirLight = 'products-keep-their-light';
    case SitemapNamesIt = 'sitemap-names-it';
    case SitemapDropsIt = 'sitemap-drops-it';

    /* Whoever comes another way. things: who leads there; arrival */
    case TextsLink = 'texts-link';
    case RedirectsLead = 'redirects-lead';
    case ClosedPlacesLead = 'closed-places-lead';
    case OutsideLeads = 'outside-leads';
    /** count: visits in 30 days */
    case VisitsArrived = 'visits-arrived';

    /* What is rewritten. */
    /** things: titles of the places with such links; arrival, where they lead then */
    case TextsRewritten = 'texts-rewritten';
    case PiecesGo = 'pieces-go';
    /** things: titles of the places; count: links */
    case TypedLinksRefer = 'typed-links-refer';
    /** things: closed places; arrival */
    case ClosedPlacesFollow = 'closed-places-follow';
    /** things: outside mentions; arrival */
    case OutsideStays = 'outside-stays';

    /* Redirects. things: what they redirect */
    /** arrival */
    case OlderAddressesFollow = 'older-addresses-follow';
    case OlderAddressesNotFound = 'older-addresses-not-found';
    case RedirectsFallAway = 'redirects-fall-away';
    case RedirectsLeadToNew = 'redirects-lead-to-new';
    case RedirectsShadowed = 'redirects-shadowed';
    /** at: the old address, or nothing where they are many; things: what is redirected; count: visits; also: outside mentions */
    case OldAddressesLeadOn = 'old-addresses-lead-on';

    /* Places below. */
    /** things: titles */
    case BelowKeepTheirAddresses = 'below-keep-their-addresses';
    /** count */
    case BelowComeAlong = 'below-come-along';

    /* How a visitor sees it otherwise than a guest does today. */
    /** things: the title; seen, seenToday */
    case SeenOtherwise = 'seen-otherwise';
    /** at: the menu; things: the label */
    case EntryIsThere = 'entry-is-there';
    /** at: the menu; things: the label */
    case EntryIsNotThere = 'entry-is-not-there';
    /** at: the menu; things: the label */
    case EntryIsHeading = 'entry-is-heading';
    /** at: the menu; things: the label */
    case EntryLeads = 'entry-leads';

    /* What the link check would say. things: what is wrong, each with what it is about; count */
    case FindingsCome = 'findings-come';
    case FindingsGo = 'findings-go';
}
