/** That something is wrong with a thing, where it stands; what it is, is in its title and in the link check. */
export function Found({ count, says }: { count: number; says?: string }) {
  const words = `${count} ${count === 1 ? 'finding' : 'findings'}`;
  return (
    <span className="shrink-0 text-sm whitespace-nowrap text-brick" title={says ?? `${words} in the link check`}>
      <span aria-hidden="true">✕ </span>
      {says ?? words}
    </span>
  );
}
