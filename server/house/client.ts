/** Set by the entry (scripts/client-address.ts), which takes away whatever a sender says about itself. */
export const CLIENT_ADDRESS = "x-zephyr-client";
