import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, ask, type Bay, type Frame, type FrameChange, type ProblemError } from '../data/client';
import { useEdit } from '../data/edits';
import { frameQuery } from '../data/queries';
import { warn } from '../data/told';

/** Changes one thing of the frame; what it is then comes back, or null where it was refused, which is told. */
export function useFrameChange(): (body: FrameChange, says: string) => Promise<Frame | null> {
  const edit = useFrameEdit();
  return useCallback(
    async (body, says) => {
      const result = await edit(body, says);
      if ('made' in result) return result.made;
      warn(result.problem);
      return null;
    },
    [edit],
  );
}

/** The same for a kept field, which says itself what is wrong. */
export function useFrameField(): (body: FrameChange) => Promise<ProblemError | null> {
  const edit = useFrameEdit();
  return useCallback(
    async (body) => {
      const result = await edit(body, '');
      return 'problem' in result ? result.problem : null;
    },
    [edit],
  );
}

function useFrameEdit() {
  const edit = useEdit();
  const queries = useQueryClient();
  return useCallback(
    (body: FrameChange, says: string) =>
      edit<Frame>({
        // With the versions that are on the screen: two people who change one thing are told of each other.
        run: () =>
          ask(
            api.POST('/api/frame/changes', { body: { ...body, seen: queries.getQueryData<Frame>(frameQuery.queryKey)?.versions ?? null } }),
          ),
        changes: () => [{ about: 'frame', id: null }],
        says,
        show: (frame) => queries.setQueryData(frameQuery.queryKey, frame),
        stale: (frame) => queries.setQueryData(frameQuery.queryKey, frame as Frame),
      }),
    [edit, queries],
  );
}

export const inWords = (bay: Bay) => `the ${bay.words.toLowerCase()}`;
