import { useQuery } from '@tanstack/react-query';
import { Suspense, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Entry, Menu, Piece, ProblemError } from '../data/client';
import { rulesQuery } from '../data/queries';
import { warn } from '../data/told';
import { Choices } from '../parts/Choices';
import { ColourField } from '../parts/ColourField';
import { KeptField } from '../parts/KeptField';
import { lazily } from '../parts/lazily';
import { OnOff } from '../parts/OnOff';
import { Pick } from '../parts/Pick';
import { PictureOf } from '../parts/PictureOf';

// The editor is heavy; it comes when there are words to write.
const PieceWords = lazily(() => import('./PieceWords').then((words) => words.PieceWords));

const WIDTHS = [
  ['text', 'its content'],
  ['page', 'the page'],
  ['window', 'the window'],
] as const;

const COLOURS = [
  ['heading', 'Headings'],
  ['text', 'Words'],
  ['link', 'Links'],
  ['pointed', 'Links under the pointer'],
  ['divider', 'Dividers'],
] as const;

const DETAILS = [
  ['name', 'Name'],
  ['tagline', 'What it is'],
  ['company', 'Company'],
  ['street', 'Street and town'],
  ['country', 'Country'],
  ['phone', 'Telephone'],
  ['mail', 'Mail address'],
] as const;

const DETAILS_FIRST: readonly string[] = ['name', 'tagline', 'mail'];

const SIGN_UP = [
  ['words', 'What one gets', 'Four letters a year'],
  ['button', 'Label of the button', 'Sign up'],
  ['agreed', 'What is agreed to', 'We keep your address for these letters only.'],
  ['list', 'Name of the list', 'None yet: visitors see no form'],
] as const;

const leads: readonly Piece['kind'][] = ['heading', 'button', 'picture', 'product', 'file', 'cards', 'products'];

/** Whether a piece can lead somewhere, or show what something leads to. */
export const canLead = ({ piece }: Entry): boolean =>
  piece === null || (leads.includes(piece.kind) && !(piece.kind === 'products' && piece.source !== 'place'));

/** Two choices that come faster than the server answers are made on top of each other, and not both on what was shown before. */
function useLatest(shown: Piece, keep: (piece: Piece) => Promise<ProblemError | null>) {
  const latest = useRef(shown);
  const seen = useRef(shown);
  if (seen.current !== shown) {
    seen.current = shown;
    latest.current = shown;
  }
  const onKeep = async (piece: Piece) => {
    latest.current = piece;
    const problem = await keep(piece);
    if (problem && latest.current === piece) latest.current = seen.current;
    return problem;
  };
  return { piece: shown, latest, onKeep };
}

/** What is a piece's own: how it looks, and what it shows. Each change is made at once. */
export function PiecePart({
  menu,
  entry,
  piece: shown,
  onKeep: keep,
}: {
  menu: Menu;
  entry: Entry;
  piece: Piece;
  onKeep: (piece: Piece) => Promise<ProblemError | null>;
}) {
  const rules = useQuery(rulesQuery);
  // There is no list by tag before its tag is known; until then the piece stays what it is.
  const [askingTag, setAskingTag] = useState(false);
  const { piece, latest, onKeep } = useLatest(shown, keep);
  const change = (changes: Partial<Piece>) => void onKeep({ ...latest.current, ...changes }).then((problem) => problem && warn(problem));
  const number = (name: 'gap' | 'room' | 'distance' | 'most' | 'share', label: string) => (
    <KeptField
      key={name}
      label={label}
      labelShown="beside"
      kind="number"
      className="w-16"
      value={String(piece[name] ?? '')}
      draftKey={`entry ${entry.id} ${name}`}
      onKeep={(typed) => onKeep({ ...latest.current, [name]: Number(typed || 0) })}
    />
  );
  // Of a wide panel the phone's drawer shows headings and links, and what else is to be there.
  const inDrawer = menu.kind === 'panel' && (
    <OnOff label="In the phone’s drawer, too" on={piece.inDrawer ?? false} onChange={(on) => change({ inDrawer: on })} />
  );
  switch (piece.kind) {
    case 'words':
      return (
        <>
          <Suspense fallback={<p className="text-soft">Laying out paper…</p>}>
            <PieceWords
              key={entry.id}
              menu={menu}
              entry={entry}
              html={piece.html ?? ''}
              onKeep={(html) => onKeep({ ...latest.current, html })}
            />
          </Suspense>
          {inDrawer}
        </>
      );
    case 'heading':
      return (
        <Row name="Level">
          <Choices
            name="Level"
            all={[
              ['2', '2'],
              ['3', '3'],
              ['4', '4'],
            ]}
            chosen={String(piece.level ?? 2)}
            onChoose={(level) => change({ level: Number(level) })}
          />
        </Row>
      );
    case 'button':
      return <OnOff label="The main one" on={piece.main ?? true} onChange={(main) => change({ main })} />;
    case 'column':
      return number('share', 'Parts of the width');
    case 'picture':
      return (
        <>
          <PictureOf onChoose={(name) => change({ name })} />
          <KeptField
            label="What it shows"
            labelShown="beside"
            value={piece.shows ?? ''}
            draftKey={`entry ${entry.id} shows`}
            onKeep={(shows) => onKeep({ ...latest.current, shows })}
          />
          {number('share', 'Hundredths of its column')}
          {inDrawer}
        </>
      );
    case 'products':
      return (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <Pick
            label="Products"
            all={(rules.data?.productSources ?? []).map(({ id, words }) => [id, words] as const)}
            chosen={askingTag ? 'tag' : (piece.source ?? 'place')}
            onChoose={(source) => {
              setAskingTag(source === 'tag');
              if (source !== 'tag') change({ source: source as NonNullable<Piece['source']>, tag: '' });
            }}
          />
          {(askingTag || piece.source === 'tag') && (
            <KeptField
              label="Tag"
              labelShown="beside"
              value={piece.tag ?? ''}
              draftKey={`entry ${entry.id} tag`}
              placeholder="which one?"
              onKeep={async (tag) => {
                const problem = await onKeep({ ...latest.current, source: 'tag', tag });
                if (!problem) setAskingTag(false);
                return problem;
              }}
            />
          )}
          {number('most', 'At most')}
          <Pick
            label="In order of"
            all={[
              ['laid', 'their place'],
              ['name', 'name'],
              ['price', 'price'],
              ['newest', 'newest'],
            ]}
            chosen={piece.order ?? 'laid'}
            onChoose={(order) => change({ order: order as NonNullable<Piece['order']> })}
          />
          <Choices
            name="Laid out as"
            all={[
              ['grid', 'a grid'],
              ['row', 'a row'],
              ['carousel', 'a carousel'],
              ['links', 'links'],
            ]}
            chosen={piece.form ?? 'grid'}
            onChoose={(form) => change({ form })}
          />
          <OnOff label="Price" on={piece.price ?? true} onChange={(price) => change({ price })} />
          <OnOff label="Add to basket" on={piece.basket ?? false} onChange={(basket) => change({ basket })} />
          {inDrawer}
        </div>
      );
    case 'product':
      return (
        <div className="flex gap-4">
          <OnOff label="Price" on={piece.price ?? true} onChange={(price) => change({ price })} />
          <OnOff label="Add to basket" on={piece.basket ?? true} onChange={(basket) => change({ basket })} />
          {inDrawer}
        </div>
      );
    case 'cards':
      return (
        <div className="flex flex-wrap items-center gap-4">
          <OnOff
            label="Of all that stands below the place"
            on={piece.ofChildren ?? false}
            onChange={(ofChildren) => change({ ofChildren })}
          />
          {number('most', 'At most')}
        </div>
      );
    case 'contact':
      return (
        <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
          <legend className="sr-only">Which details of the shop it shows</legend>
          {DETAILS.map(([id, label]) => (
            <OnOff
              key={id}
              label={label}
              on={(piece.details ?? DETAILS_FIRST).includes(id)}
              onChange={(on) =>
                change({
                  details: DETAILS.map(([one]) => one).filter((one) => (one === id ? on : (piece.details ?? DETAILS_FIRST).includes(one))),
                })
              }
            />
          ))}
          <span className="w-full text-sm text-soft">What is empty is left out. The details themselves are written under Policies.</span>
        </fieldset>
      );
    case 'sign-up':
      return (
        <div className="grid gap-1.5">
          {SIGN_UP.map(([name, label, placeholder]) => (
            <KeptField
              key={name}
              label={label}
              kind={name === 'words' || name === 'agreed' ? 'long' : 'text'}
              value={piece[name] ?? ''}
              draftKey={`entry ${entry.id} ${name}`}
              placeholder={placeholder}
              onKeep={(typed) => onKeep({ ...latest.current, [name]: typed })}
            />
          ))}
          <p>
            <Link to="/mailbox">Who has signed up</Link>
          </p>
        </div>
      );
    case 'tabs':
      return <OnOff label="Beside what they show" on={piece.beside ?? false} onChange={(beside) => change({ beside })} />;
    case 'carousel':
      return <OnOff label="Turns by itself" on={piece.turns ?? false} onChange={(turns) => change({ turns })} />;
    case 'band':
    case 'panel':
      return (
        <div className="grid gap-1.5">
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <Row name="As wide as">
              <Choices name="As wide as" all={WIDTHS} chosen={piece.width ?? 'page'} onChoose={(width) => change({ width })} />
            </Row>
            {piece.kind === 'band' ? number('gap', 'Between columns') : number('distance', 'From the header')}
            {number('room', 'Room around')}
            {piece.kind === 'panel' && (
              <>
                <OnOff label="Opens on a click only" on={piece.byClick ?? false} onChange={(byClick) => change({ byClick })} />
                <OnOff label="Fades in" on={piece.fades ?? true} onChange={(fades) => change({ fades })} />
              </>
            )}
          </div>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <ColourField
              label="Ground"
              value={piece.ground?.colour ?? null}
              onChange={(colour) => change({ ground: { ...piece.ground, colour } })}
            />
            {COLOURS.map(([name, label]) => (
              <ColourField
                key={name}
                label={label}
                value={piece.colours?.[name] ?? null}
                onChange={(colour) => {
                  const { [name]: _, ...others } = piece.colours ?? {};
                  change({ colours: colour === null ? others : { ...others, [name]: colour } });
                }}
              />
            ))}
          </div>
          <div className="flex flex-wrap items-center gap-2">
            <span className="text-soft">{piece.ground?.picture ? 'A picture stands behind it' : 'No picture stands behind it'}</span>
            {piece.ground?.picture && (
              <button type="button" className="button" onClick={() => change({ ground: { ...piece.ground, picture: null } })}>
                No picture
              </button>
            )}
            <PictureOf onChoose={(picture) => change({ ground: { ...piece.ground, picture } })} />
          </div>
          {entry.advice.map(({ words, name, colour }) => (
            <p key={name} role="status" className="flex flex-wrap items-center gap-2 text-brick">
              {words}
              {colour && (
                <button type="button" className="button" onClick={() => change({ colours: { ...piece.colours, [name]: colour } })}>
                  Take {colour}
                  <span
                    aria-hidden="true"
                    className="ml-1.5 inline-block size-3 rounded-sm border border-edge align-middle"
                    ref={(swatch) => swatch?.style.setProperty('background', colour)}
                  />
                </button>
              )}
            </p>
          ))}
        </div>
      );
    default:
      return null;
  }
}

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <span className="flex items-center gap-1.5">
      <span className="text-soft" aria-hidden="true">
        {name}
      </span>
      {children}
    </span>
  );
}
