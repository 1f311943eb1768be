import { useQueryClient } from '@tanstack/react-query';
import { DropdownMenu } from 'radix-ui';
import type { RefObject, SyntheticEvent } from 'react';
import { api, ask, ifMatch, type Light, type PlaceBrief } from '../data/client';
import { useEdit } from '../data/edits';
import { placeQuery } from '../data/queries';
import { warn } from '../data/told';
import { Lantern } from '../parts/Lantern';
import { lights } from '../parts/LightChoice';
import { useOver } from '../parts/over';
import type { LineActs } from './lineActs';
import type { Line } from './tree';

/** What is done in what opens from a line is not meant for the line. */
const stop = (event: SyntheticEvent) => event.stopPropagation();

/** The light of the place that a line leads to: three lanterns behind its own. A letter chooses at once. */
export function LineLight({
  line,
  place,
  disabled,
  open,
  acts,
}: {
  line: Line;
  place: PlaceBrief;
  disabled: boolean;
  open: boolean;
  acts: RefObject<LineActs>;
}) {
  const over = useOver();
  const edit = useEdit();
  const queries = useQueryClient();
  const choose = async (light: Light) => {
    acts.current.light(line, false);
    if (light === place.light) return;
    const result = await edit({
      run: async () => {
        const sheet = await queries.fetchQuery({ ...placeQuery(place.id), staleTime: 0 });
        return ask(api.PATCH('/api/places/{id}', { params: { path: { id: place.id }, header: ifMatch(sheet.version) }, body: { light } }));
      },
      changes: () => [{ about: 'place', id: place.id }],
      says: `${place.title} is ${light} now.`,
      show: (sheet) => queries.setQueryData(placeQuery(place.id).queryKey, sheet),
    });
    if ('problem' in result) warn(result.problem);
  };
  const offered = lights.filter(({ light }) => light !== 'closed' || place.mayClose);
  return (
    <DropdownMenu.Root modal={false} open={open} onOpenChange={(next) => acts.current.light(line, next)}>
      <DropdownMenu.Trigger
        disabled={disabled}
        tabIndex={-1}
        aria-label={`Light of ${place.title}: ${place.lightWords}`}
        className="grid size-6 shrink-0 place-items-center rounded"
        title={place.lightWords}
        onPointerDown={stop}
        onMouseDown={stop}
        onTouchStart={stop}
        onClick={stop}
      >
        <Lantern light={place.light} size={20} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal container={over}>
        <DropdownMenu.Content
          aria-label={`Light of ${place.title}`}
          align="start"
          sideOffset={4}
          className="z-50 w-80 rounded-md border border-line bg-sheet py-1 shadow-xl"
          onClick={(event) => event.stopPropagation()}
          onPointerDown={stop}
          onMouseDown={stop}
          onTouchStart={stop}
          onKeyDown={(event) => {
            const letter = offered.find(({ light }) => light.startsWith(event.key.toLowerCase()) && event.key.length === 1);
            if (letter) {
              event.preventDefault();
              void choose(letter.light);
            }
            event.stopPropagation();
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            acts.current.back(line);
          }}
        >
          <DropdownMenu.RadioGroup value={place.light} onValueChange={(light) => void choose(light as Light)}>
            {offered.map(({ light, name, sentence }) => (
              <DropdownMenu.RadioItem key={light} value={light} className="item items-start gap-3" textValue={name}>
                <Lantern light={light} size={22} />
                <span className="min-w-0">
                  <span className="block font-semibold">{name}</span>
                  <span className="block text-sm whitespace-normal text-soft">{sentence}</span>
                </span>
                <span className="key ml-auto" aria-hidden="true">
                  {name[0]}
                </span>
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
