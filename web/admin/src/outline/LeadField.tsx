import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type RefObject, useEffect, useState } from 'react';
import type { Parts, Piece, PlaceBrief, PlaceRow, TargetInput, TypedLead } from '../data/client';
import { findPlaces, partsQuery, rulesQuery, sessionQuery } from '../data/queries';
import { takeLetters } from '../data/typedAhead';
import { Choose } from '../parts/Choose';
import { Lantern } from '../parts/Lantern';

/** Something that an entry can lead to; a place that is still to be made says of which kind, and whether it begins closed. */
export type Lead = {
  target: TargetInput;
  label: string | null;
  name: string;
  place?: PlaceBrief;
  make?: { kind: string; closed: boolean };
  piece?: Piece['kind'];
};

type Option = { key: string; lead: Lead; says: string };

const leadToPlace = ({ place, menus }: PlaceRow): Option => ({
  key: place.id,
  lead: { target: { kind: 'place', placeId: place.id }, label: null, name: place.title, place },
  says: `${place.kindWords} · ${place.address}${menus.length === 0 ? ' · in no menu yet' : ''}`,
});

const leadByWords = ({ kind, uri, label, words }: TypedLead): Option => ({
  key: `${kind} ${uri}`,
  lead: { target: kind === 'heading' ? { kind } : { kind, uri }, label, name: label },
  says: words,
});

const MAKE = 'make';
const MAKE_CLOSED = 'make closed';

/** What an entry can lead to within a place: the whole of it, its parts by name, or some of its products. */
function partsOf({ lead }: Option, parts: Parts): Option[] {
  const { place } = lead;
  if (!place) return [];
  const one = (key: string, name: string, says: string, more: Partial<TargetInput>, label: string | null): Option => ({
    key: `${place.id} ${key}`,
    lead: { target: { ...lead.target, ...more }, label, name, place },
    says,
  });
  return [
    one('', place.title, 'the whole place', {}, null),
    ...parts.anchors.map(({ name, heading }) =>
      one(`#${name}`, heading, `a part of ${place.title}`, { part: name }, heading.slice(0, 200)),
    ),
    ...parts.narrowed.map(({ narrowing: { words, ...narrowing }, label, products }) =>
      one(
        `only ${words}`,
        `${place.title}, ${label}`,
        `only ${products} ${products === 1 ? 'product' : 'products'}: ${words}`,
        { narrowing },
        `${place.title}, ${label}`.slice(0, 200),
      ),
    ),
  ];
}

/** The one field that finds any place by a few letters, or makes the one that is missing. Several picked go in together. */
export function LeadField({
  field,
  current,
  disabled,
  laidOut = false,
  onAdd,
  onPaste,
  onWalk,
  onLeave,
}: {
  field: RefObject<HTMLInputElement | null>;
  /** The label of the line that new ones are added to. */
  current: string | null;
  disabled: boolean;
  /** Whether it is a page or a wide panel, where pieces stand. */
  laidOut?: boolean;
  onAdd: (leads: Lead[], inside: boolean) => Promise<boolean>;
  /** Several lines were pasted. */
  onPaste: (text: string) => void;
  /** Another line becomes the one that new ones are added to. */
  onWalk: (key: 'ArrowUp' | 'ArrowDown' | 'ArrowLeft' | 'ArrowRight') => void;
  onLeave: () => void;
}) {
  const [words, setWords] = useState('');
  // What was typed before the field was there is meant for it.
  useEffect(() => {
    const typed = takeLetters();
    setWords((now) => typed + now);
  }, []);
  const [walked, setWalked] = useState(false);
  const [picked, setPicked] = useState<Option[]>([]);
  const [within, setWithin] = useState<Option | null>(null);
  const [kindAt, setKindAt] = useState(0);
  const session = useQuery(sessionQuery);
  const rules = useQuery(rulesQuery);
  const queries = useQueryClient();
  const shop = session.data?.storefrontUrl ?? '';
  const made = rules.data?.kinds.filter(({ isMade }) => isMade) ?? [];
  const kind = made[kindAt % Math.max(1, made.length)];

  const isPicked = ({ key }: Option) => picked.some((one) => one.key === key);
  const toggle = (option: Option) =>
    setPicked((all) => (isPicked(option) ? all.filter(({ key }) => key !== option.key) : [...all, option]));

  const ask = async (typed: string, signal: AbortSignal): Promise<Option[]> => {
    // An address of this shop stands for its place.
    const isOwn = shop !== '' && typed.startsWith(shop);
    const found = await findPlaces(isOwn ? typed.slice(shop.length) || '/' : typed, signal);
    const making = (key: string, closed: boolean): Option => ({
      key,
      lead: { target: { kind: 'place' }, label: null, name: typed, make: { kind: '', closed } },
      says: '',
    });
    return [
      ...(laidOut ? piecesNamed(typed) : []),
      ...found.rows.map(leadToPlace),
      ...(isOwn ? [] : found.leads.map(leadByWords)),
      ...(isOwn || laidOut || found.makes.length === 0 ? [] : [making(MAKE, false), making(MAKE_CLOSED, true)]),
    ];
  };
  /** Kinds of pieces by letters of their names, the one of just that name first; none typed: all of them. */
  const piecesNamed = (typed: string): Option[] => {
    const letters = typed.trim().toLowerCase();
    const far = (name: string) => (name === letters ? 0 : name.startsWith(letters) ? 1 : 2);
    return (rules.data?.pieces ?? [])
      .filter(({ kind, words: name }) => kind !== 'panel' && name.includes(letters))
      .sort((a, b) => far(a.words) - far(b.words))
      .map(({ kind, words: name }) => ({
        key: `piece ${kind}`,
        lead: { target: { kind: 'heading' }, label: null, name, piece: kind as Piece['kind'] },
        says: 'a piece of its own',
      }));
  };
  const question = laidOut ? 'What should stand here?' : 'Where should it lead?';
  const meant = (option: Option): Lead =>
    option.lead.make ? { ...option.lead, make: { ...option.lead.make, kind: kind?.kind ?? 'page' } } : option.lead;

  const add = async (options: Option[], inside: boolean) => {
    if (options.length === 0) return;
    // The next letters are meant for the next place, and do not wait for an answer about this one.
    const before = { words, picked };
    setWords('');
    setWithin(null);
    setPicked([]);
    setWalked(false);
    const leads = options.map(meant);
    setKindAt(0);
    if (await onAdd(leads, inside)) return;
    setWords((now) => (now === '' ? before.words : now));
    setPicked((now) => (now.length === 0 ? before.picked : now));
  };

  return (
    <div className="relative border-t border-line bg-paper px-3 py-1.5">
      {picked.length > 0 && (
        <div className="mb-1.5 flex flex-wrap items-center gap-1.5">
          <ul className="contents" aria-label="Picked">
            {picked.map((option) => (
              <li key={option.key}>
                <button
                  type="button"
                  className="flex min-h-6 items-center gap-1 rounded bg-tide-wash px-2 text-sm"
                  onClick={() => toggle(option)}
                  aria-label={`Do not add ${option.lead.name}`}
                >
                  {option.lead.name} <span aria-hidden="true">✕</span>
                </button>
              </li>
            ))}
          </ul>
          <button
            type="button"
            className="button button--tide"
            onPointerDown={(event) => event.preventDefault()}
            onClick={() => void add(picked, false)}
          >
            {current ? `Add ${picked.length} below “${current}”` : `Add ${picked.length} to the menu`}
          </button>
          {current && (
            <button
              type="button"
              className="button"
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => void add(picked, true)}
            >
              Inside “{current}”
            </button>
          )}
        </div>
      )}
      <div className="flex items-center gap-2">
        <span className="font-semibold whitespace-nowrap max-xl:sr-only" aria-hidden="true">
          {question}
        </span>
        <div
          className="min-w-0 flex-1"
          onPaste={(event) => {
            const text = event.clipboardData.getData('text/plain');
            if (!/\S.*[\r\n]+.*\S/s.test(text)) return;
            event.preventDefault();
            onPaste(text);
          }}
        >
          <Choose<Option>
            key={within?.key ?? ''}
            label={question}
            placeholder={
              laidOut
                ? 'A kind of piece, a few letters of a place, or words for a heading'
                : 'A few letters of a place, an address, or words for a heading'
            }
            field={field}
            ask={within ? async () => partsOf(within, await queries.fetchQuery(partsQuery(within.lead.place?.id ?? ''))) : ask}
            keyOf={({ key }) => key}
            show={(option) => (
              <Shown option={option} picked={isPicked(option)} kind={kind?.words ?? 'page'} onPick={() => toggle(option)} />
            )}
            chosen=""
            typed={words}
            upwards
            disabled={disabled}
            autoFocus={within !== null}
            opens={within !== null}
            firstIsMeant={words.trim() !== '' || within !== null}
            isPicked={isPicked}
            foot={<Hints current={current} laidOut={laidOut} />}
            onType={(typed) => {
              setWords(typed);
              setWithin(null);
              setWalked(false);
            }}
            onEscape={() => (within ? setWithin(null) : onLeave())}
            onKeys={(event, under, whenThere) => {
              if (event.altKey && /^Arrow/.test(event.key)) {
                onWalk(event.key as 'ArrowUp');
                return true;
              }
              if ((event.key === 'ArrowRight' || event.key === 'ArrowLeft') && under?.lead.make) {
                setKindAt((at) => at + (event.key === 'ArrowRight' ? 1 : made.length - 1));
                return true;
              }
              if (
                event.key === 'ArrowRight' &&
                under?.lead.place &&
                within === null &&
                event.currentTarget.selectionStart === words.length
              ) {
                setWithin(under);
                return true;
              }
              if (event.key === 'ArrowLeft' && within) {
                setWithin(null);
                return true;
              }
              if (event.key === 'ArrowDown' || event.key === 'ArrowUp') setWalked(true);
              if (event.key === ' ' && walked && under && !under.lead.make) {
                toggle(under);
                return true;
              }
              if (event.key === 'Enter' && picked.length > 0) {
                void add(picked, event.shiftKey);
                return true;
              }
              if (event.key === 'Enter' && !under && words.trim() !== '') {
                const inside = event.shiftKey;
                whenThere((items) => items[0] && void add([items[0]], inside));
                return true;
              }
              return false;
            }}
            onChoose={(option, how) => {
              if (!option) return;
              if (how.control) toggle(option);
              else void add(picked.length > 0 ? picked : [option], how.shift);
            }}
          />
        </div>
        <span className="key max-lg:hidden" aria-hidden="true">
          /
        </span>
      </div>
    </div>
  );
}

function Shown({ option, picked, kind, onPick }: { option: Option; picked: boolean; kind: string; onPick: () => void }) {
  const { lead, says } = option;
  if (lead.make)
    return (
      <>
        <span className="w-6" />
        <span className="w-4.5 text-center text-soft" aria-hidden="true">
          +
        </span>
        <span className="min-w-0">
          <span className="block truncate font-medium">
            Make a {kind} “{lead.name}” here{lead.make.closed ? ', closed until it has words' : ''}
          </span>
          {!lead.make.closed && <span className="block text-sm text-soft">→ another kind of place</span>}
        </span>
      </>
    );
  return (
    <>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: Space in the field picks */}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: Space in the field picks */}
      <span
        title="Pick it, and more"
        className={`grid size-6 shrink-0 place-items-center rounded border text-sm ${picked ? 'border-tide bg-tide text-on-tide' : 'border-line hover:border-tide'}`}
        onClick={(event) => {
          event.stopPropagation();
          onPick();
        }}
      >
        {picked ? '✓' : ''}
      </span>
      {lead.place ? (
        <Lantern light={lead.place.light} words={lead.place.lightWords} />
      ) : (
        <span className="w-4.5 text-center text-soft">{lead.piece ? '▦' : '¶'}</span>
      )}
      <span className="min-w-0">
        <span className="block truncate font-medium">{lead.name}</span>
        <span className="block truncate text-sm text-soft">{says}</span>
      </span>
    </>
  );
}

function Hints({ current, laidOut }: { current: string | null; laidOut: boolean }) {
  if (laidOut)
    return (
      <p className="border-t border-line px-3 py-1.5 text-sm text-soft">
        <span className="key">Enter</span> puts it where it can stand, {current ? `next to “${current}”` : 'at the end'} ·{' '}
        <span className="key">Alt ↑↓←→</span> another line
      </p>
    );
  return (
    <p className="border-t border-line px-3 py-1.5 text-sm text-soft">
      {current ? (
        <>
          <span className="key">Enter</span> below “{current}”, <span className="key">Shift Enter</span> inside ·{' '}
          <span className="key">Space</span> picks several as you walk · <span className="key">→</span> a part of it ·{' '}
          <span className="key">Alt ↑↓←→</span> another line
        </>
      ) : (
        <>
          <span className="key">Enter</span> adds it to the menu
        </>
      )}
    </p>
  );
}
