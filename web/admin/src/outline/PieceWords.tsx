import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import type { Entry, Menu, ProblemError, WordsView } from '../data/client';
import { find } from '../data/moves';
import type { Written } from '../data/place';
import { previewQuery, sessionQuery, today, wordsQuery } from '../data/queries';
import WordsEditor from '../words/WordsEditor';

/** The words of a piece, written like those of a place; each pause keeps them with a step of the page. */
export function PieceWords({
  menu,
  entry,
  html,
  onKeep,
}: {
  menu: Menu;
  entry: Entry;
  html: string;
  onKeep: (html: string) => Promise<ProblemError | null>;
}) {
  const queries = useQueryClient();
  const session = useQuery(sessionQuery);
  const preview = useQuery(previewQuery(today));
  // What blanks there are, and what they stand for, is the shop's and not the text's.
  const ofPlace = useQuery({ ...wordsQuery(menu.id), enabled: menu.kind === 'page' });
  const words = useMemo(
    (): WordsView =>
      ({
        ...(ofPlace.data ?? { version: menu.version, links: [], anchors: [], blanks: [], emptyBlanks: [], takenOut: [] }),
        html,
      }) as WordsView,
    [ofPlace.data, html, menu.version],
  );
  const write = useCallback(
    async (typed: string): Promise<Written> => {
      const problem = await onKeep(typed);
      if (problem) return { problem };
      const now = queries
        .getQueriesData<Menu>({ queryKey: ['menu', menu.id] })
        .flatMap(([, one]) => (one ? [find(one.entries, entry.id)] : []))[0];
      return { kept: { ...words, html: now?.piece?.html ?? typed, takenOut: [] } };
    },
    [onKeep, queries, menu.id, entry.id, words],
  );
  if (!session.data || !preview.data) return <p className="text-soft">Laying out paper…</p>;
  return (
    // A piece is no page: it takes the room of a few lines, and more as it grows.
    <div className="piece-words">
      <WordsEditor
        id={entry.id}
        title={entry.label}
        place={null}
        words={words}
        storefrontUrl={session.data.storefrontUrl}
        previewUrl={preview.data.url}
        disabled={false}
        pointsTo={null}
        write={write}
      />
    </div>
  );
}
