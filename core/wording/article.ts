/** What has no one of it, so that no article goes before it. */
const MASS = /^(?:wheat|bread|soap|thread|wool|water|fire|grass|ivy|bamboo|milk|snow)$/;

/** A word or phrase with its article: "an owl", "a house"; "leaves" and "wheat" have none. */
export const withArticle = (phrase: string): string =>
  (/s$/.test(phrase) && !/(?:ss|us|is)$/.test(phrase)) || MASS.test(phrase)
    ? phrase
    : `${/^[aeiou]/i.test(phrase) ? 'an' : 'a'} ${phrase}`;
