/** What was given can't be used, in words for whoever gave it. Anything else that is thrown is a fault of ours. */
export class Refused extends Error {}
