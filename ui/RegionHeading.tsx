/** A region's name, and what it is in plain words. */
export function RegionHeading({ title, plain }: { title: string; plain: string }) {
  return (
    <h2 className="heading flex flex-wrap gap-x-1.5">
      {title}
      <span className="font-normal tracking-normal normal-case">{plain}</span>
    </h2>
  );
}
