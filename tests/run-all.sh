# Sourced by ./altrin test: every suite, then one line with the sum.
passed=0 failed=0 skipped=0 faults=()

note() { printf '\n— %s\n' "$*"; }

# A check that is no test counts only when it fails.
check() { # NAME COMMAND…
  local name=$1; shift
  note "$name"
  if ! "$@"; then failed=$((failed + 1)); faults+=("$name"); fi
}

suite() { # PROJECT
  local log; log=$(mktemp)
  # What takes long is run by “./altrin test --long” as well: the rest stays within a quarter of an hour.
  local short=(-trait- kind=long)
  [ "${long:-0}" = 0 ] || short=()
  note "$1"
  (cd "$root" && dotnet "tests/$1/bin/Debug/net10.0/$1.dll" -noColor "${short[@]}") 2>&1 | tee "$log" | grep -vE '^  (Discovering|Discovered|Starting|Finished):' || true
  local line; line=$(grep -E "$1 +Total: [0-9]+" "$log" | tail -1)
  rm -f "$log"
  if [ -z "$line" ]; then failed=$((failed + 1)); faults+=("$1 did not finish"); return; fi
  local total errors wrong left
  total=$(sed -E 's/.*Total: ([0-9]+).*/\1/' <<<"$line"); errors=$(sed -E 's/.*Errors: ([0-9]+).*/\1/' <<<"$line")
  wrong=$(sed -E 's/.*Failed: ([0-9]+).*/\1/' <<<"$line"); left=$(sed -E 's/.*Skipped: ([0-9]+).*/\1/' <<<"$line")
  passed=$((passed + total - wrong - left)); failed=$((failed + wrong + errors)); skipped=$((skipped + left))
  [ $((wrong + errors)) -eq 0 ] || faults+=("$1")
}

pages_suite() {
  local report; report=$(mktemp)
  note "web: vitest"
  (cd "$root/web" && npx vitest run --reporter=default --reporter=json --outputFile.json="$report") || true
  local counts; counts=$(node -e 'const r=JSON.parse(require("fs").readFileSync(process.argv[1],"utf8")); console.log(r.numPassedTests, r.numFailedTests + r.numFailedTestSuites * (r.numFailedTests ? 0 : 1), r.numPendingTests)' "$report" 2>/dev/null || echo "0 1 0")
  rm -f "$report"
  set -- $counts
  passed=$((passed + $1)); failed=$((failed + $2)); skipped=$((skipped + $3))
  [ "$2" -eq 0 ] || faults+=("web: vitest")
}

need_sdk
need_modules
export DOTNET_ROLL_FORWARD=Major

note "Building"
dotnet build "$root/Altrin.slnx" --nologo -v quiet || die "The build failed."
build_server
build_pages

check "formatter and analysers, C#" dotnet format "$root/Altrin.slnx" --no-restore --verify-no-changes --severity warn
check "formatter, linter and types, TypeScript" npm --prefix "$root/web" run --silent check
# The page's types are those of the API: written anew they are the same.
types_are_fresh() {
  local fresh; fresh=$(mktemp)
  (cd "$root/web" && npx openapi-typescript ../docs/formats/api.openapi.json -o "$fresh" >/dev/null) && diff -q "$fresh" "$root/web/src/api/generated/schema.d.ts" ||
    { echo "web/src/api/generated/schema.d.ts is stale: run ./altrin formats."; return 1; }
}
check "types generated from the API" types_are_fresh
if [ -x "$root/../shared/tools/check-words" ]; then check "words that must not stand here" "$root/../shared/tools/check-words" "$root"; fi

need_packages wireless-regdb || note "The limits of the countries will not be compared: the database is missing"
suite Altrin.Core.Tests
suite Altrin.Web.Tests
need_packages iproute2 nftables dnsmasq-base udhcpc || note "Altrin.KernelLab.Tests will be skipped: its tools are missing"
suite Altrin.KernelLab.Tests
pages_suite
if need_packages chromium chromium-driver; then
  suite Altrin.Browser.Tests
else
  note "Altrin.Browser.Tests SKIPPED: no browser on this machine"
  skipped=$((skipped + 1))
fi

[ ${#faults[@]} -eq 0 ] || printf '\nFailed: %s\n' "$(IFS=';'; echo "${faults[*]}")"
printf '\n%d passed, %d failed, %d skipped\n' "$passed" "$failed" "$skipped"
[ "$failed" -eq 0 ] && [ "$passed" -gt 0 ]
