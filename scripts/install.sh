#!/usr/bin/env bash
# Installs what is missing: Debian packages by name, npm packages from the committed lock. Sourced by ./start and ./check.
set -euo pipefail
# What is installed and built is read by an unprivileged user too; secrets say their own modes.
umask 022

need_node() {
	command -v node >/dev/null || { echo "Node.js 20 or newer is needed; it is not on this machine." >&2; exit 1; }
	node -e 'process.exit(+process.versions.node.split(".")[0] >= 20 ? 0 : 1)' ||
		{ echo "Node.js 20 or newer is needed; this is $(node --version)." >&2; exit 1; }
}

# last_words LOG PATTERN: the last line of LOG that says why, without its prefix
last_words() { grep -E "$2" "$1" | tail -n 1 | sed -E 's/^(E: |npm (error|ERR!) )//' || true; }

# need_debian PROBE PACKAGE: installs PACKAGE unless the path or command PROBE is there
need_debian() {
	local probe=$1 package=$2 sudo=
	compgen -G "$probe" >/dev/null || command -v "$probe" >/dev/null && return 0
	command -v apt-get >/dev/null || { echo "$package is missing and there is no apt-get to install it with. Install $package by hand, then run this again." >&2; exit 1; }
	[ "$(id -u)" = 0 ] || sudo=sudo
	[ -z "$sudo" ] || command -v sudo >/dev/null ||
		{ echo "$package is missing and this user may not install it. Ask an administrator for: apt-get install $package" >&2; exit 1; }
	echo "Installing $package from Debian …"
	local log
	log=$(mktemp)
	# An old list of packages may do: only the installation decides.
	$sudo apt-get update -q >"$log" 2>&1 || true
	if ! $sudo env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "$package" >>"$log" 2>&1; then
		echo "$package could not be installed from Debian ($(last_words "$log" '^E: ')); see that this machine reaches its Debian mirror, then run this again." >&2
		rm -f "$log"
		exit 1
	fi
	rm -f "$log"
}

# need_browser: Debian's Chromium without a window, which takes a quarter less of the machine; where there is none, the whole one
need_browser() {
	[ -x /usr/bin/chromium-headless-shell ] && return 0
	(need_debian /usr/bin/chromium-headless-shell chromium-headless-shell) 2>/dev/null || need_debian /usr/bin/chromium chromium
}

# need_npm: node_modules as the lock says; npm ci never writes the lock
need_npm() {
	local stamp=node_modules/.installed-lock now
	now=$(sha256sum package-lock.json | cut -c1-64)
	[ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ] && return 0
	echo "Installing npm packages from the lock (about a minute) …"
	local log
	log=$(mktemp)
	if ! npm ci --no-audit --no-fund --loglevel=error >"$log" 2>&1; then
		if grep -qE 'ECONNREFUSED|ENOTFOUND|EAI_AGAIN|ETIMEDOUT|ECONNRESET|ERR_SOCKET|network|E50[0-9]' "$log"; then
			echo "The npm registry did not answer; see that this machine reaches it (npm ping), then run this again." >&2
		elif grep -qE 'EUSAGE|in sync' "$log"; then
			echo "package-lock.json does not fit package.json: run npm install --package-lock-only and commit the lock." >&2
		else
			echo "npm packages could not be installed ($(last_words "$log" '^npm (error|ERR!) [^A]')); mend that, then run this again." >&2
		fi
		rm -f "$log"
		exit 1
	fi
	rm -f "$log"
	echo "$now" >"$stamp"
}
