#!/usr/bin/env bash
# Installs what is missing: Debian packages by name, npm packages from the committed lock. Sourced by ./start and ./check.
set -euo pipefail

need_node() {
	command -v node >/dev/null || { echo "Node.js 20 or newer is needed; it is not on this machine." >&2; exit 1; }
	node -e 'process.exit(+process.versions.node.split(".")[0] >= 20 ? 0 : 1)' ||
		{ echo "Node.js 20 or newer is needed; this is $(node --version)." >&2; exit 1; }
}

# need_debian PROBE PACKAGE: installs PACKAGE unless the path or command PROBE is there
need_debian() {
	local probe=$1 package=$2 sudo=
	compgen -G "$probe" >/dev/null || command -v "$probe" >/dev/null && return 0
	[ "$(id -u)" = 0 ] || sudo=sudo
	[ -z "$sudo" ] || command -v sudo >/dev/null ||
		{ echo "$package is missing and this user may not install it. Ask an administrator for: apt-get install $package" >&2; exit 1; }
	echo "Installing $package from Debian …"
	local log
	log=$(mktemp)
	$sudo apt-get update -q >"$log" 2>&1 || true
	$sudo env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "$package" >>"$log" 2>&1 ||
		{ echo "$package could not be installed. The last lines were:" >&2; tail -n 5 "$log" >&2; exit 1; }
	rm -f "$log"
}

need_npm() {
	local stamp=node_modules/.installed-lock now
	now=$(sha256sum package-lock.json | cut -c1-64)
	[ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ] && return 0
	echo "Installing npm packages from the lock (about a minute) …"
	local log
	log=$(mktemp)
	npm install --no-audit --no-fund --loglevel=error >"$log" 2>&1 ||
		{ echo "npm packages could not be installed. The last lines were:" >&2; tail -n 8 "$log" >&2; exit 1; }
	rm -f "$log"
	[ "$(sha256sum package-lock.json | cut -c1-64)" = "$now" ] || { echo "package-lock.json changed while installing: it does not fit package.json." >&2; exit 1; }
	echo "$now" >"$stamp"
}
