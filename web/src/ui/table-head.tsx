/** The head row of a table: one word for each column. */
export function TableHead({ words }: { words: string[] }) {
  return (
    <thead>
      <tr>
        {words.map((word) => (
          <th key={word} scope="col">
            {word}
          </th>
        ))}
      </tr>
    </thead>
  );
}
