import type { Frame } from '../data/client';
import { Choices } from '../parts/Choices';
import { KeptField } from '../parts/KeptField';
import { OnOff } from '../parts/OnOff';
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
    </div>
  );
}
