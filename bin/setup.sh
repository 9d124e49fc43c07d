# Sourced by bin/demo and bin/test: what a fresh machine needs, each step skipped once done.
# Everything goes into the project's own folders: .venv, web/node_modules, web/dist and var.

cd "$(dirname "${BASH_SOURCE[0]}")/.." || exit 1
mkdir -p var
export PIP_DISABLE_PIP_VERSION_CHECK=1

stop() {
  echo "$1" >&2
  exit 1
}

find_python() {
  local name
  for name in python3.11 python3.12 python3.13 python3; do
    if "$name" -c 'import sys; sys.exit(sys.version_info < (3, 11))' 2>/dev/null; then
      echo "$name"
      return
    fi
  done
}

check_tools() {
  command -v git >/dev/null || stop "git is missing: apt-get install git"
  PYTHON=$(find_python)
  [ -n "$PYTHON" ] || stop "Python 3.11 or newer is missing: apt-get install python3 python3-venv"
  "$PYTHON" -c 'import ensurepip, venv' 2>/dev/null || stop "Python's venv is missing: apt-get install python3-venv"
  command -v node >/dev/null || stop "Node 20 or newer is missing: apt-get install nodejs npm, or install Node 20"
  node -e 'process.exit(Number(process.versions.node.split(".")[0]) < 20 ? 1 : 0)' \
    || stop "Node $(node --version) is too old: install Node 20 or newer"
  command -v npm >/dev/null || stop "npm is missing: apt-get install npm"
}

# step NAME STATE COMMAND...: runs the command unless it has succeeded for this very state before.
step() {
  local name=$1 state=$2 mark="var/done-$1"
  shift 2
  if [ -f "$mark" ] && [ "$(cat "$mark")" = "$state" ]; then
    return
  fi
  echo "Nolbet: $name ..."
  "$@" || stop "Nolbet: $name failed; the lines above say why."
  echo "$state" >"$mark"
}

state_of() {
  find "$@" -type f -not -path '*/node_modules/*' -not -path '*/dist/*' -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-64
}

install_python() {
  local files=() file
  for file in "$@"; do files+=(-r "$file"); done
  [ -x .venv/bin/python ] || "$PYTHON" -m venv .venv || return 1
  .venv/bin/pip install -qq --require-hashes "${files[@]}" || return 1
  .venv/bin/pip install -qq --no-deps --no-build-isolation -e .
}

install_node() {
  (cd web && npm ci --no-audit --no-fund --loglevel=error)
}

build_page() {
  (cd web && npm run --silent build -- --logLevel warn)
}

set_up_server() {
  check_tools
  step "installing Python packages" "$(state_of requirements/run.txt pyproject.toml) $(pwd)" install_python requirements/run.txt
}

set_up_page() {
  step "installing page packages" "$(state_of web/package-lock.json) $(pwd)" install_node
  step "building the page" "$(state_of web)" build_page
}
