/** The package's Node entry has no types of its own; they are those of its main entry. */
declare module "maxrects-packer/dist/maxrects-packer.mjs" {
	export * from "maxrects-packer";
}
