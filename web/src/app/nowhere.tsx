import { Link } from "react-router";

export function Nowhere() {
  return (
    <main className="mx-auto max-w-md p-8">
      <h1 className="text-2xl font-bold">Page not found</h1>
      <p className="my-4">There is no page at this address. Check the link.</p>
      <Link className="btn btn-primary" to="/">
        Go to the start page
      </Link>
    </main>
  );
}
