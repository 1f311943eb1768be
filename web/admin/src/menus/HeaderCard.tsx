import type { Frame } from '../data/client';
import { Choices } from '../parts/Choices';
import { KeptField } from '../parts/KeptField';
import { OnOff } from '../parts/OnOff';
import { PictureOf } from '../parts/PictureOf';
import { useFrameChange, useFrameField } from './useFrame';

const choices = [
  {
    name: 'On a desk it is',
    setting: 'header_form',
    of: 'form',
    all: [
      ['row', 'a row', 'The header is a row on a desk.'],
      ['drawer', 'a drawer', 'The header is a drawer, on a desk, too.'],
    ],
  },
  {
    name: 'Its entries stand',
    setting: 'header_entries',
    of: 'entries',
    all: [
      ['start', 'at the start', 'Its entries stand at the start.'],
      ['middle', 'middle', 'Its entries stand in the middle.'],
      ['end', 'end', 'Its entries stand at the end.'],
      ['stretched', 'stretched', 'Its entries are stretched over the row.'],
    ],
  },
  {
    name: 'What opens is marked by',
    setting: 'header_mark',
    of: 'mark',
    all: [
      ['angle', 'an angle', 'What opens is marked by an angle.'],
      ['plus', 'a plus', 'What opens is marked by a plus.'],
      ['dot', 'a dot', 'What opens is marked by a dot.'],
      ['drawn', 'your own', 'What opens is marked by a mark of your own.'],
    ],
  },
  {
    name: 'Dropdowns open',
    setting: 'dropdowns_open',
    of: 'opens',
    all: [
      ['hover', 'under the pointer', 'Dropdowns open under the pointer.'],
      ['click', 'on a click', 'Dropdowns open on a click.'],
    ],
  },
] as const;

/** Where the second row stands. */
export function SecondRowCard({ frame }: { frame: Frame }) {
  const change = useFrameChange();
  return (
    <div className="flex flex-wrap items-center gap-2 border-t border-line pt-2 text-sm">
      <span className="text-soft">It stands</span>
      <Choices
        name="It stands"
        all={[
          ['above', 'above the header'],
          ['below', 'below it'],
        ]}
        chosen={frame.header.secondBelow ? 'below' : 'above'}
        onChoose={(words) => void change({ type: 'header', setting: 'header_second', words }, `The second row stands ${words} the header.`)}
      />
    </div>
  );
}

/** A picture in place of the shop's name, with words for those who do not see it. */
function WordmarkPart({ frame }: { frame: Frame }) {
  const change = useFrameChange();
  const field = useFrameField();
  const { wordmark, wordmarkWords } = frame.header;
  return (
    <div className="grid gap-1">
      <span className="flex flex-wrap items-center gap-2">
        <span className="text-soft">{wordmark ? 'A picture stands for the name' : 'The shop’s name stands in it'}</span>
        <PictureOf onChoose={(words) => void change({ type: 'wordmark', words }, 'A picture stands in the header as word mark.')} />
        {wordmark && (
          <button
            type="button"
            className="button"
            onClick={() => void change({ type: 'wordmark', words: '' }, 'The name of the shop stands in the header.')}
          >
            The name again
          </button>
        )}
      </span>
      {wordmark && (
        <KeptField
          label="What the picture says, for those who do not see it"
          value={wordmarkWords}
          draftKey="wordmark words"
          placeholder={frame.shopName}
          onKeep={(words) => field({ type: 'header', setting: 'header_wordmark_words', words })}
        />
      )}
    </div>
  );
}

/** How the header itself is made, whatever hangs in it. */
export function HeaderCard({ frame }: { frame: Frame }) {
  const change = useFrameChange();
  const field = useFrameField();
  const { header } = frame;
  const isRow = header.form === 'row';
  const set = (setting: string, words: string, says: string) => void change({ type: 'header', setting, words }, says);
  return (
    <div className="grid gap-1.5 border-t border-line pt-2 text-sm">
      {choices
        .filter(({ of }) => isRow || of === 'form')
        .map(({ name, setting, of, all }) => (
          <div key={setting} className="flex flex-wrap items-center gap-x-2">
            <span className="text-soft">{name}</span>
            <Choices
              name={name}
              all={all.map(([id, words]) => [id, words] as const)}
              chosen={header[of]}
              onChoose={(chosen) => set(setting, chosen, all.find(([id]) => id === chosen)?.[2] ?? '')}
            />
          </div>
        ))}
      {isRow && (
        <>
          <KeptField
            label="The phone’s drawer takes over below, in pixels"
            value={header.drawerBelow === null ? '' : String(header.drawerBelow)}
            draftKey="header drawer below"
            placeholder={`${header.takesOverBelow}, where the entries no longer fit`}
            onKeep={(words) => field({ type: 'header', setting: 'header_drawer_below', words })}
          />
          <OnOff
            label="Dropdowns fade in"
            on={header.fades}
            onChange={(on) => set('header_fades', on ? 'yes' : 'no', on ? 'Dropdowns fade in.' : 'Dropdowns are there at once.')}
          />
        </>
      )}
      <OnOff
        label="Stays in sight while the page goes by"
        on={header.stays}
        onChange={(on) => set('header_stays', on ? 'yes' : 'no', on ? 'The header stays in sight.' : 'The header goes by with the page.')}
      />
      <details>
        <summary className="cursor-pointer text-soft">Word mark, tablets, a mark of your own</summary>
        <div className="grid gap-1.5 pt-1.5">
          <WordmarkPart frame={frame} />
          {isRow && (
            <>
              <KeptField
                label="On tablets the drawer takes over below, in pixels"
                value={header.tabletBelow === null ? '' : String(header.tabletBelow)}
                draftKey="header tablet below"
                placeholder="as on other devices"
                onKeep={(words) => field({ type: 'header', setting: 'header_tablet_below', words })}
              />
              <KeptField
                label="The mark, as SVG"
                kind="long"
                value={header.markDrawn}
                draftKey="header mark drawn"
                placeholder="<svg viewBox=&quot;0 0 12 12&quot;>…"
                onKeep={(words) => field({ type: 'header', setting: 'header_mark_drawn', words })}
              />
              <KeptField
                label="Another one while it is open"
                kind="long"
                value={header.markOpen}
                draftKey="header mark open"
                placeholder="the same, turned"
                onKeep={(words) => field({ type: 'header', setting: 'header_mark_open', words })}
              />
            </>
          )}
        </div>
      </details>
    </div>
  );
}
