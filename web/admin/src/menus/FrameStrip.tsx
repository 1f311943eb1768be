import { useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, type Bay, type Frame } from '../api/client';
import type { paths } from '../api/schema';
import { useTell } from '../parts/toasts';
import { refreshWorkbench } from '../shell/queries';

type FrameChange = paths['/api/frame/changes']['post']['requestBody']['content']['application/json'];

/** Changes one thing of the frame; what it is then comes back, and the message can take it back. */
export function useFrameChange() {
  const queries = useQueryClient();
  const tell = useTell();
  const undo = async () => {
    try {
      await ask(api.POST('/api/frame/undo'));
      await refreshWorkbench(queries);
    } catch (error) {
      tell.warn(error);
    }
  };
  const change = async (body: FrameChange, says: string): Promise<Frame | null> => {
    try {
      const frame = await ask(api.POST('/api/frame/changes', { body }));
      queries.setQueryData(['frame'], frame);
      await refreshWorkbench(queries);
      if (says) tell.say(says, () => void undo());
      return frame;
    } catch (error) {
      tell.warn(error);
      return null;
    }
  };
  return { change, undo };
}

/** What can be done with the chosen part of the map, written out below it. */
export function FrameStrip({ frame, bay, menuId, canEdit }: { frame: Frame; bay: string | null; menuId: string | null; canEdit: boolean }) {
  const { change, undo } = useFrameChange();
  const navigate = useNavigate();
  const [naming, setNaming] = useState(false);
  const chosen = frame.bays.find(({ id }) => id === bay) ?? null;
  const menu = frame.menus.find(({ id }) => id === menuId) ?? null;
  if (!canEdit) return null;
  const goTo = (id: string | null | undefined, at: string | null) => navigate(`/menus${id ? `/${id}` : ''}${at ? `?bay=${at}` : ''}`);

  if (bay === 'notice')
    return (
      <Strip name="The notice line">
        <KeptLine
          label="What the notice line says"
          value={frame.notice}
          placeholder="Empty: no notice line is shown"
          onKeep={(words) => change({ type: 'notice', words }, words === '' ? 'The notice line is gone.' : 'The notice line is written.')}
        />
      </Strip>
    );
  const remove = async (evenIfItHangs: boolean) => {
    if (!menu) return;
    const after = await change(
      { type: 'remove', menuId: menu.id, evenIfItHangs },
      `“${menu.name}” is removed${menu.bays.length > 0 ? `; it hung in ${menu.bays.join(' and ').toLowerCase()}` : ''}.`,
    );
    if (after) goTo(after.bays.find((one) => one.menuId)?.menuId ?? after.menus[0]?.id, null);
  };
  const make = async (name: string) => {
    const after = await change({ type: 'make', words: name, ...(chosen && !chosen.menuId ? { bay: chosen.id } : {}) }, `“${name}” is made.`);
    setNaming(false);
    if (after?.made) goTo(after.made, chosen && !chosen.menuId ? chosen.id : null);
  };
  return (
    <Strip name={chosen ? chosen.words : (menu?.name ?? 'Menus')}>
      {chosen && (
        <Choice
          label={chosen.menuId ? 'Hang instead' : 'Hang here'}
          options={frame.menus.filter(({ id }) => id !== chosen.menuId).map(({ id, name }) => ({ id, name }))}
          onChoose={async (id) => {
            const name = frame.menus.find((one) => one.id === id)?.name;
            if (await change({ type: 'hang', bay: chosen.id, menuId: id }, `“${name}” hangs in ${inWords(chosen)}.`)) goTo(id, chosen.id);
          }}
        />
      )}
      {chosen?.menuId && (
        <>
          <Choice
            label="Swap with"
            options={frame.bays.filter(({ id, menuId: other }) => id !== chosen.id && other).map(({ id, words }) => ({ id, name: words }))}
            onChoose={async (other) => {
              const after = await change({ type: 'swap', bay: chosen.id, other }, 'The two are swapped.');
              if (after) goTo(after.bays.find(({ id }) => id === chosen.id)?.menuId, chosen.id);
            }}
          />
          <button
            type="button"
            className="button"
            onClick={async () => {
              if (await change({ type: 'take-down', bay: chosen.id }, `Nothing hangs in ${inWords(chosen)}.`))
                goTo(chosen.id === 'header' ? menuId : null, chosen.id);
            }}
          >
            Take it down
          </button>
        </>
      )}
      {chosen?.id.startsWith('footer-') && chosen.menuId && (
        <KeptLine label="Heading" value={chosen.heading} placeholder="No heading" onKeep={(words) => change({ type: 'heading', bay: chosen.id, words }, '')} />
      )}
      {chosen?.id === 'header' && chosen.menuId && (
        <Choice
          label="Dropdowns open"
          value={frame.opens}
          options={[
            { id: 'hover', name: 'under the pointer' },
            { id: 'click', name: 'on a click' },
          ]}
          onChoose={(words) => void change({ type: 'opens', words }, words === 'click' ? 'Dropdowns open on a click.' : 'Dropdowns open under the pointer.')}
        />
      )}
      {chosen?.id === 'header' && !chosen.menuId && (
        <Choice
          label="Until then the header shows"
          value={frame.withoutMenu}
          options={[
            { id: 'categories', name: 'the shop’s categories' },
            { id: 'nothing', name: 'nothing' },
          ]}
          onChoose={(words) => void change({ type: 'without-menu', words }, '')}
        />
      )}
      {menu && !naming && (
        <KeptLine
          label="Name"
          value={menu.name}
          placeholder="What you call this menu"
          onKeep={(words) => change({ type: 'rename', menuId: menu.id, words }, '')}
        />
      )}
      {menu && (
        <button
          type="button"
          className="button"
          onClick={() => void remove(menu.bays.length > 0)}
          title={menu.bays.length > 0 ? `It hangs in ${menu.bays.join(' and ').toLowerCase()}` : undefined}
        >
          {menu.bays.length > 1 ? `Remove it from ${menu.bays.join(' and ').toLowerCase()}` : 'Remove the menu'}
        </button>
      )}
      {naming ? (
        <NewMenuName onMake={(name) => void make(name)} onLeave={() => setNaming(false)} />
      ) : (
        <button type="button" className="button" onClick={() => setNaming(true)}>
          {chosen && !chosen.menuId ? 'New menu here' : 'New menu'}
        </button>
      )}
      {frame.canUndo && (
        <button type="button" className="choice ml-auto" onClick={() => void undo()}>
          Undo on the map
        </button>
      )}
    </Strip>
  );
}

const inWords = (bay: Bay) => `the ${bay.words.toLowerCase()}`;

function Strip({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section aria-label={`On the map: ${name}`} className="flex flex-wrap items-center gap-x-3 gap-y-1.5 border-b border-line bg-sheet px-4 py-2">
      <h2 className="text-[15px]">{name}</h2>
      {children}
    </section>
  );
}

function Choice({
  label,
  options,
  value = '',
  onChoose,
}: {
  label: string;
  options: { id: string; name: string }[];
  value?: string;
  onChoose: (id: string) => unknown;
}) {
  if (options.length === 0) return null;
  return (
    <label className="flex items-center gap-1.5 text-sm whitespace-nowrap">
      {label}
      <select className="field w-auto max-w-40 min-w-0 py-0.5" value={value} onChange={(event) => event.target.value && onChoose(event.target.value)}>
        {value === '' && <option value="">choose…</option>}
        {options.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

function KeptLine({ label, value, placeholder, onKeep }: { label: string; value: string; placeholder: string; onKeep: (words: string) => Promise<unknown> }) {
  const [words, setWords] = useState<string | null>(null);
  const keep = async () => {
    if (words !== null && words.trim() !== value && (await onKeep(words.trim()))) setWords(null);
    else if (words?.trim() === value) setWords(null);
  };
  return (
    <label className="flex min-w-0 w-44 items-center gap-1.5 text-sm">
      {label}
      <input
        className="field min-w-0 py-0.5"
        value={words ?? value}
        placeholder={placeholder}
        onChange={(event) => setWords(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void keep();
          if (event.key === 'Escape') setWords(null);
        }}
      />
    </label>
  );
}

function NewMenuName({ onMake, onLeave }: { onMake: (name: string) => void; onLeave: () => void }) {
  const [name, setName] = useState('');
  return (
    <span className="flex items-center gap-1.5">
      <input
        // biome-ignore lint/a11y/noAutofocus: it appears where the person asked to type
        autoFocus
        aria-label="Name of the new menu"
        placeholder="Name of the new menu"
        className="field w-52 py-0.5"
        value={name}
        onChange={(event) => setName(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && name.trim() !== '') onMake(name.trim());
          if (event.key === 'Escape') onLeave();
        }}
      />
      <button type="button" className="button button--tide" disabled={name.trim() === ''} onClick={() => onMake(name.trim())}>
        Make it
      </button>
    </span>
  );
}
