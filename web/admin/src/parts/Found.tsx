/** That something is wrong with a thing, where it stands; what it is, is in its title and in the link check. */
export function Found({ count, broken }: { count: number; broken: number }) {
  const words = `${count} ${count === 1 ? 'finding' : 'findings'}`;
  return (
    <span
      className={`shrink-0 text-sm whitespace-nowrap ${broken > 0 ? 'text-brick' : 'text-soft'}`}
      title={`${words} in the link check${broken > 0 ? `; ${broken} by which visitors find nothing` : ''}`}
    >
      <span aria-hidden="true">{broken > 0 ? '✕ ' : '◦ '}</span>
      {words}
    </span>
  );
}
