/** A picture tile, as the server draws it. */
export function Tile({ name, className = "" }: { name: string; className?: string }) {
  return <img src={`/api/tiles/${name}`} alt="" className={className} draggable={false} />;
}
