# Sourced by ./altrin test: every suite, then one line with the sum.
passed=0 failed=0 skipped=0 faults=()

note() { printf '\n— %s\n' "$*"; }

# A check that is no test counts only when it fails.
check() { # NAME COMMAND…
  local name=$1; shift
  note "$name"
  if ! "$@"; then failed=$((failed + 1)); faults+=("$name"); fi
}

# What takes long is run by “./altrin test --long” as well: the rest stays within a quarter of an hour.
run_suite() { # PROJECT LOG
  # A row of a theory may be the long one: it is a case of its own only when rows are counted beforehand.
  local short=(-preEnumerateTheories -trait- kind=long)
  [ "${long:-0}" = 0 ] || short=(-preEnumerateTheories)
  (cd "$root" && suite "$1" "${short[@]}") >"$2" 2>&1 || true
}

count_suite() { # PROJECT LOG
  note "$1"
  grep -vE '^  (Discovering|Discovered|Starting|Finished):|^Altrin: http' "$2" || true
  local line; line=$(grep -E "$1 +Total: [0-9]+" "$2" | tail -1)
  rm -f "$2"
  if [ -z "$line" ]; then failed=$((failed + 1)); faults+=("$1 did not finish"); return; fi
  local total errors wrong left
  total=$(sed -E 's/.*Total: ([0-9]+).*/\1/' <<<"$line"); errors=$(sed -E 's/.*Errors: ([0-9]+).*/\1/' <<<"$line")
  wrong=$(sed -E 's/.*Failed: ([0-9]+).*/\1/' <<<"$line"); left=$(sed -E 's/.*Skipped: ([0-9]+).*/\1/' <<<"$line")
  passed=$((passed + total - wrong - left)); failed=$((failed + wrong + errors)); skipped=$((skipped + left))
  [ $((wrong + errors)) -eq 0 ] || faults+=("$1")
}

# Suites side by side, one that computes beside those that mostly wait: for the kernel, for the disk, for a page.
suites() { # PROJECT…
  local project logs=() i=0
  printf '\nRunning %s …\n' "$*"
  for project in "$@"; do
    logs+=("$(mktemp)")
    run_suite "$project" "${logs[-1]}" &
  done
  wait
  for project in "$@"; do count_suite "$project" "${logs[$((i++))]}"; done
}

run_pages() { # REPORT LOG
  (cd "$root/web" && npx vitest run --reporter=default --reporter=json --outputFile.json="$1") >"$2" 2>&1 || true
}

count_pages() { # REPORT LOG
  note "web: vitest"
  cat "$2"
  local counts; counts=$(node -e 'const r=JSON.parse(require("fs").readFileSync(process.argv[1],"utf8")); console.log(r.numPassedTests, r.numFailedTests + r.numFailedTestSuites * (r.numFailedTests ? 0 : 1), r.numPendingTests)' "$1" 2>/dev/null || echo "0 1 0")
  rm -f "$1" "$2"
  set -- $counts
  passed=$((passed + $1)); failed=$((failed + $2)); skipped=$((skipped + $3))
  [ "$2" -eq 0 ] || faults+=("web: vitest")
}

need_sdk
need_node

# The pages are fetched, built and looked over while the compiler works: each has its turn on one core.
look_over_pages() { need_modules && build_pages && npm --prefix "$root/web" run --silent check; }
pages_log=$(mktemp)
look_over_pages >"$pages_log" 2>&1 & pages=$!

note "Building"
# With the analysers and the rules of style, a warning of which is an error; what is left to the formatter is white space.
build_tests Altrin.slnx || die "The build failed."
build_server
dotnet build-server shutdown --vbcscompiler >/dev/null 2>&1 || true

pages_are_well() { wait "$pages" && return 0; cat "$pages_log"; return 1; }
check "formatter, linter and types, TypeScript" pages_are_well
# The page's types are those of the API: written anew they are the same.
types_are_fresh() {
  local fresh; fresh=$(mktemp)
  (cd "$root/web" && npx openapi-typescript ../docs/formats/api.openapi.json -o "$fresh" >/dev/null) && diff -q "$fresh" "$root/web/src/api/generated/schema.d.ts" ||
    { echo "web/src/api/generated/schema.d.ts is stale: run ./altrin formats."; return 1; }
}
check "types generated from the API" types_are_fresh
check "formatter, C#" dotnet format whitespace "$root" --folder --verify-no-changes --exclude "$root/web" --exclude "$root/build"
if [ -x "$root/../shared/tools/check-words" ]; then check "words that must not stand here" "$root/../shared/tools/check-words" "$root"; fi

need_packages wireless-regdb || note "The limits of the countries will not be compared: the database is missing"
need_packages iproute2 nftables dnsmasq-base udhcpc || note "Altrin.KernelLab.Tests will be skipped: its tools are missing"
# Twenty houses fewer than ./altrin lab builds of itself: a third of what this part takes.
[ "${long:-0}" != 0 ] || export ALTRIN_LAB_COUNT="${ALTRIN_LAB_COUNT:-40}"
report=$(mktemp) pages_log=$(mktemp)
run_pages "$report" "$pages_log" & pages=$!
suites Altrin.Core.Tests Altrin.KernelLab.Tests Altrin.Attack.Tests
wait "$pages" || true
count_pages "$report" "$pages_log"
if need_packages chromium chromium-driver; then
  suites Altrin.Web.Tests Altrin.Browser.Tests
else
  suites Altrin.Web.Tests
  note "Altrin.Browser.Tests SKIPPED: no browser on this machine"
  skipped=$((skipped + 1))
fi

[ ${#faults[@]} -eq 0 ] || printf '\nFailed: %s\n' "$(IFS=';'; echo "${faults[*]}")"
printf '\n%d passed, %d failed, %d skipped\n' "$passed" "$failed" "$skipped"
[ "$failed" -eq 0 ] && [ "$passed" -gt 0 ]
