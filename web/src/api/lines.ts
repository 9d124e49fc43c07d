/** What a server tells line by line, each a JSON document of its own. */
export async function* linesOf<T>(body: ReadableStream<Uint8Array>): AsyncGenerator<T> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let rest = "";
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      const lines = (rest + decoder.decode(value, { stream: true })).split("\n");
      rest = lines.pop() ?? "";
      for (const line of lines) yield JSON.parse(line) as T;
    }
  } finally {
    await reader.cancel();
  }
}
