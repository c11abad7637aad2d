/** Answers kept by their key, null among them; all are forgotten when there are more than so many. */
export function remembered<Answer>(most: number): (key: string, make: () => Answer) => Answer {
  const known = new Map<string, Answer>();
  return (key, make) => {
    const before = known.get(key);
    if (before !== undefined || known.has(key)) return before as Answer;
    const answer = make();
    if (known.size >= most) known.clear();
    known.set(key, answer);
    return answer;
  };
}
