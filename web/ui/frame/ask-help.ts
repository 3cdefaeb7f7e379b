/** What a press on "?" sends. */
export const ASK_HELP = "zephyr-help";
