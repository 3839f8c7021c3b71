import Link from 'next/link';

/** Where an address leads nowhere. */
export default function NotFound() {
  return (
    <section className="mx-auto flex max-w-xl flex-col items-center gap-4 px-4 py-16 text-center" data-role="not-found">
      <h1 className="text-2xl font-semibold">There is nothing at this address</h1>
      <p>It may be mistyped, or come from another version of New Thumb. Your pieces are where they were.</p>
      <div className="flex flex-wrap justify-center gap-2">
        <Link className="btn btn-primary btn-sm h-9" href="/">
          To the shelf
        </Link>
        <Link className="btn btn-sm h-9" href="/bench">
          To the Bench
        </Link>
        <Link className="btn btn-sm h-9" href="/atlas">
          To the Atlas
        </Link>
      </div>
    </section>
  );
}
