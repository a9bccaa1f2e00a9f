/** One of a thing or several of it: "1 minute", "2 minutes". */
export const several = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`
