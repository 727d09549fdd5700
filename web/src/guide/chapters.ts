/** The guide's page about each screen, by the first word of its address. */
const CHAPTERS: Record<string, string> = {
  intake: '1-taking-sheets-in',
  columns: '1-taking-sheets-in',
  products: '2-facts-and-what-is-missing',
  names: '2-facts-and-what-is-missing',
  kinds: '2-facts-and-what-is-missing',
  runs: '3-writing',
  folder: '3-writing',
  news: '3-writing',
  connections: '3-writing',
  proofs: '4-proofing',
  audit: '4-proofing',
  facts: '5-teaching',
  claims: '5-teaching',
  editions: '6-publishing',
  channels: '6-publishing',
  categories: '6-publishing',
  results: '6-publishing',
  style: '7-what-the-house-decides',
  templates: '7-what-the-house-decides',
  ranges: '7-what-the-house-decides',
  keywords: '7-what-the-house-decides',
  people: '7-what-the-house-decides',
  me: '7-what-the-house-decides',
  tokens: '7-what-the-house-decides',
  log: '7-what-the-house-decides',
};

/** The address of what the guide says of a screen; of all of it for others. */
export function chapterOf(pathname: string): string {
  const chapter = CHAPTERS[pathname.split('/')[1] ?? ''];
  return chapter ? `/guide/${chapter}` : '/guide';
}
