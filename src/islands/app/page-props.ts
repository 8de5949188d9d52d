/** What a page is told of its address. */
export type PageProps = Readonly<Record<string, string>>;
