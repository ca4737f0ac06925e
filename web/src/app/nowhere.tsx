import { Link } from "react-router";

export function Nowhere() {
  return (
    <main className="mx-auto max-w-md p-8">
      <h1 className="text-2xl font-bold">Nothing here</h1>
      <p className="my-4">This address leads nowhere. It may have been mistyped.</p>
      <Link className="btn btn-primary" to="/">
        To the start
      </Link>
    </main>
  );
}
