import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type ReactNode, useState } from 'react';
import type { Frame } from '../data/client';
import { byMouse, byTouch } from '../outline/holding';
import type { FrameDrag, HoldProps } from './holds';
import { inWords, useFrameChange } from './useFrame';

/** A menu's name is dragged from bay to bay; two of them change places. */
function Around({
  frame,
  onChoose,
  onHeld,
  children,
}: {
  frame: Frame;
  onChoose: (bay: string) => void;
  onHeld: (held: boolean) => void;
  children: ReactNode;
}) {
  const change = useFrameChange();
  const [held, setHeld] = useState<string | null>(null);
  const nameOf = (menuId: string | null) => frame.menus.find(({ id }) => id === menuId)?.name;
  const sensors = useSensors(useSensor(MouseSensor, byMouse), useSensor(TouchSensor, byTouch));
  const hold = (name: string | null) => {
    setHeld(name);
    onHeld(name !== null);
  };
  const drop = ({ active, over }: DragEndEvent) => {
    hold(null);
    const { menuId, from } = active.data.current as { menuId: string; from: string | null };
    const to = frame.bays.find(({ id }) => id === over?.id);
    if (!to || to.id === from) return;
    onChoose(to.id);
    const name = `“${nameOf(menuId)}”`;
    const hangs = `${name} hangs in ${inWords(to)}.`;
    if (from === null) void change({ type: 'hang', bay: to.id, menuId }, hangs);
    else void change({ type: 'swap', bay: from, other: to.id }, to.menuId ? `${name} and “${nameOf(to.menuId)}” are swapped.` : hangs);
  };
  return (
    <DndContext
      sensors={sensors}
      onDragStart={({ active }) => hold(nameOf((active.data.current as { menuId: string }).menuId) ?? null)}
      onDragCancel={() => hold(null)}
      onDragEnd={drop}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {held && <span className="rounded-md border border-lamp bg-lamp-wash px-3 py-1.5 font-medium shadow-xl">{held}</span>}
      </DragOverlay>
    </DndContext>
  );
}

function Holder({ bay, menuId, disabled, children }: HoldProps) {
  const drop = useDroppable({ id: bay?.id ?? `menu ${menuId}`, disabled: disabled || bay === null });
  const drag = useDraggable({
    id: bay ? `in ${bay.id}` : `loose ${menuId}`,
    data: { menuId, from: bay?.id ?? null },
    disabled: disabled || menuId === null,
  });
  return children({ drop: drop.setNodeRef, drag: drag.setNodeRef, listeners: drag.listeners ?? {}, isOver: drop.isOver });
}

export const frameDrag: FrameDrag = { Around, Holder };
