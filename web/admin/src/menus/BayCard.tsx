import { Link } from 'react-router';
import type { Bay, Frame } from '../data/client';
import { Acts } from '../parts/Acts';
import { Choices } from '../parts/Choices';
import { KeptField } from '../parts/KeptField';
import { BesideCard } from './BesideCard';
import { FooterCard } from './FooterCard';
import { HeaderCard, SecondRowCard } from './HeaderCard';
import { inWords, useFrameChange, useFrameField } from './useFrame';

/** What can be done with one bay. */
export function BayCard({ frame, bay, canEdit }: { frame: Frame; bay: Bay; canEdit: boolean }) {
  const change = useFrameChange();
  const field = useFrameField();
  const menu = frame.menus.find(({ id }) => id === bay.menuId) ?? null;
  const isFooter = bay.id.startsWith('footer-');
  // A column of pieces stands in the footer and nowhere else.
  const others = frame.menus.filter(({ id, kind }) => id !== bay.menuId && (isFooter || kind === 'menu'));
  const hang = (id: string, name: string) => void change({ type: 'hang', bay: bay.id, menuId: id }, `“${name}” hangs in ${inWords(bay)}.`);
  const hanging = others.map(({ id, name }) => ({ name, does: () => hang(id, name) }));
  const swapping = frame.bays
    .filter(
      ({ id, menuId, holds }) =>
        id !== bay.id && menuId && (holds === 'menu' || isFooter) && (bay.holds === 'menu' || id.startsWith('footer-')),
    )
    .map((other) => ({
      name: other.words,
      does: () => void change({ type: 'swap', bay: bay.id, other: other.id }, `${bay.words} and ${other.words.toLowerCase()} are swapped.`),
    }));
  return (
    <div className="grid gap-3">
      {menu ? (
        <>
          <p className="flex flex-wrap gap-2">
            <Link to={`/menus/${menu.id}?bay=${bay.id}`} className="button button--tide hover:no-underline">
              Open “{menu.name}”
            </Link>
            {canEdit && (
              <Acts
                label={`What else can be done with ${inWords(bay)}`}
                className="button"
                acts={[
                  ...(hanging.length > 0 ? [{ name: 'Hang another menu', acts: hanging }] : []),
                  ...(swapping.length > 0 ? [{ name: 'Swap with', acts: swapping }] : []),
                  {
                    name: 'Take it down',
                    does: () => void change({ type: 'take-down', bay: bay.id }, `Nothing hangs in ${inWords(bay)}.`),
                  },
                  null,
                  {
                    name: menu.bays.length > 1 ? `Remove the menu, from ${menu.bays.join(' and ').toLowerCase()}` : 'Remove the menu',
                    does: () =>
                      void change(
                        { type: 'remove', menuId: menu.id, evenIfItHangs: true },
                        `“${menu.name}” is removed; it hung in ${menu.bays.join(' and ').toLowerCase()}.`,
                      ),
                  },
                ]}
              >
                More ▾
              </Acts>
            )}
          </p>
          {canEdit && bay.holds === 'menu' && (isFooter || bay.beside) && (
            <KeptField
              label="Heading that visitors read"
              value={bay.heading}
              draftKey={`bay ${bay.id} heading`}
              placeholder="No heading"
              onKeep={(words) => field({ type: 'heading', bay: bay.id, words })}
            />
          )}
          {canEdit && (
            <KeptField
              label={
                bay.holds === 'column' ? 'Name of the column, for you and your colleagues' : 'Name of the menu, for you and your colleagues'
              }
              value={menu.name}
              draftKey={`menu ${menu.id} name`}
              onKeep={(words) => field({ type: 'rename', menuId: menu.id, words })}
            />
          )}
        </>
      ) : (
        <>
          {canEdit && hanging.length > 0 && (
            <p>
              <Acts label="Hang a menu that you have" className="button" acts={hanging}>
                Hang one that you have ▾
              </Acts>
            </p>
          )}
          {!canEdit && <p className="text-soft">No menu hangs here.</p>}
          {canEdit && bay.id === 'header' && (
            <div className="flex flex-wrap items-center gap-2 text-sm">
              <span className="text-soft">Until then the header shows</span>
              <Choices
                name="Until then the header shows"
                all={[
                  ['categories', 'the shop’s categories'],
                  ['nothing', 'nothing'],
                ]}
                chosen={frame.withoutMenu}
                onChoose={(words) =>
                  void change(
                    { type: 'without-menu', words },
                    words === 'nothing' ? 'The header shows nothing.' : 'The header shows the categories.',
                  )
                }
              />
            </div>
          )}
        </>
      )}
      {canEdit && bay.id === 'header' && <HeaderCard frame={frame} />}
      {canEdit && isFooter && <FooterCard frame={frame} bay={bay} />}
      {canEdit && bay.beside && <BesideCard bay={bay} />}
      {canEdit && bay.id === 'second-row' && <SecondRowCard frame={frame} />}
      {canEdit && bay.id === 'last-line' && (
        <KeptField
          label="What the last line says"
          value={frame.lastLine}
          draftKey="last line"
          placeholder="© and the company"
          onKeep={(words) => field({ type: 'last-line', words })}
        />
      )}
    </div>
  );
}

/** What can be done with a menu that hangs nowhere. */
export function MenuCard({
  frame,
  menu,
  canEdit,
  onChoose,
}: {
  frame: Frame;
  menu: { id: string; name: string; kind: string };
  canEdit: boolean;
  onChoose: (id: string | null) => void;
}) {
  const change = useFrameChange();
  const field = useFrameField();
  const hanging = frame.bays
    .filter(({ id }) => menu.kind === 'menu' || id.startsWith('footer-'))
    .map((bay) => ({
      name: bay.menuId ? `${bay.words}, instead of “${frame.menus.find(({ id }) => id === bay.menuId)?.name}”` : bay.words,
      does: () =>
        void change({ type: 'hang', bay: bay.id, menuId: menu.id }, `“${menu.name}” hangs in ${inWords(bay)}.`).then(
          (after) => after && onChoose(bay.id),
        ),
    }));
  return (
    <div className="grid gap-3">
      <h2>{menu.name}</h2>
      <p className="flex flex-wrap gap-2">
        <Link to={`/menus/${menu.id}`} className="button button--tide hover:no-underline">
          Open “{menu.name}”
        </Link>
        {canEdit && (
          <Acts
            label={`What else can be done with ${menu.name}`}
            className="button"
            acts={[
              { name: 'Hang it in', acts: hanging },
              null,
              {
                name: 'Remove the menu',
                does: () =>
                  void change({ type: 'remove', menuId: menu.id, evenIfItHangs: false }, `“${menu.name}” is removed.`).then(
                    (after) => after && onChoose(null),
                  ),
              },
            ]}
          >
            More ▾
          </Acts>
        )}
      </p>
      {canEdit && (
        <KeptField
          label="Name, for you and your colleagues"
          value={menu.name}
          draftKey={`menu ${menu.id} name`}
          onKeep={(words) => field({ type: 'rename', menuId: menu.id, words })}
        />
      )}
    </div>
  );
}

export function NoticeCard({ frame, canEdit }: { frame: Frame; canEdit: boolean }) {
  const field = useFrameField();
  return (
    <div className="grid gap-3">
      <h2>The notice line</h2>
      <KeptField
        label="What the notice line says"
        value={frame.notice}
        draftKey="notice"
        placeholder="Empty: no notice line is shown"
        disabled={!canEdit}
        autoFocus={canEdit}
        onKeep={(words) => field({ type: 'notice', words })}
      />
    </div>
  );
}
