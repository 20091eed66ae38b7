/** What the server asks of a password. */
export const PASSWORD_HELP = 'At least 12 characters; a few words do';
