# Sourced by ./altrin mutate: changes the code of a folder of the core in one place at a time and sees whether a test falls.
# Works on a copy; only what git knows is copied. One list holds the changes of all folders: --again takes it as it stands, and goes on where a run was cut short;
# --near asks the nearest tests alone, for a first look: what survives them is asked of all the next time.
folder=Simulation count=300 seed=1 again= near=
while [ $# -gt 0 ]; do
  case $1 in
    --count) count=${2:?--count wants a number}; shift 2 ;;
    --seed) seed=${2:?--seed wants a number}; shift 2 ;;
    --again) again=yes; shift ;;
    --near) near=near; shift ;;
    -*) die "Unknown: $1. Use --count N, --seed N, --again or --near." ;;
    *) folder=$1; shift ;;
  esac
done
[ -d "$root/src/Altrin.Core/$folder" ] || die "There is no folder src/Altrin.Core/$folder."
need_sdk
command -v node >/dev/null || need_node

work=$root/build/mutation
copy=$work/copy
list=$work/list/reports/mutation-report.json
suite=$copy/tests/Altrin.Core.Tests
bin=$suite/bin/Release/net10.0
changed=$work/Altrin.Core.changed.dll

copied() { # PATH… of what git knows
  (cd "$root" && git ls-files -z -- "$@" | tar --null -T - -cf - | tar -xf - -C "$copy")
}

listed() {
  rm -rf "$work" && mkdir -p "$copy" "$work/tool"
  copied . ':!web' ':!docs/screenshots' ':!tests/*'
  # To list and build the changes one test is enough; it is the run after this that takes them all.
  copied tests/Altrin.Core.Tests/Altrin.Core.Tests.csproj 'tests/Directory.*'
  printf 'namespace Altrin.Core.Tests;\n\npublic class ListTests\n{\n    [Fact]\n    public void It_is_there() => Assert.NotNull(typeof(Altrin.Core.Network.NetworkDocument));\n}\n' > "$suite/ListTests.cs"
  # Nobody calls this, in any folder: a run that does not see it survive could see no survivor at all.
  (cd "$copy/src/Altrin.Core" && for one in */; do
    printf 'namespace Altrin.Core.%s;\n\ninternal static class Planted\n{\n    public static int Sum(int one, int other) => one + other;\n}\n' "${one%/}" > "$one/Planted.cs"
  done)
  dotnet tool install dotnet-stryker --version 5.1.0 --tool-path "$work/tool" >&2
  cat > "$suite/stryker-config.json" <<JSON
{ "stryker-config": { "project": "Altrin.Core.csproj", "configuration": "Release", "test-runner": "mtp", "coverage-analysis": "off", "concurrency": 1, "reporters": ["json"], "mutate": ["**/*.cs{0..1}", "**/Addressing/Planted.cs"] } }
JSON
  # The core with all changes in it, each asleep, stands there only while the tool runs.
  (cd "$suite" && "$work/tool/dotnet-stryker" --skip-version-check -O "$work/list" > "$work/list.log" 2>&1) &
  local tool=$!
  while kill -0 $tool 2>/dev/null; do
    sleep 0.5
    if [ ! -s "$changed" ] && grep -qs MutantControl "$bin/Altrin.Core.dll"; then sleep 0.5; cp "$bin/Altrin.Core.dll" "$changed"; fi
  done
  wait $tool || { tail -20 "$work/list.log" >&2; die "The changes could not be listed; the log is $work/list.log."; }
  [ -s "$changed" ] || die "The changed core was not seen; the log is $work/list.log."
}

if [ -z "$again" ] || [ ! -s "$changed" ]; then
  echo "Listing what can be changed …" >&2
  listed
fi
# The tests as they are now, on the core as it was listed.
rm -rf "$suite"
copied tests docs
(cd "$suite" && dotnet build -c Release -v q --nologo > "$work/tests.log" 2>&1) || { tail -20 "$work/tests.log" >&2; die "The tests do not build on the core as it was listed; run it without --again."; }
cp "$changed" "$bin/Altrin.Core.dll"
echo "Running the tests against each change …" >&2
node "$root/tests/mutation/try.mjs" "$list" "$bin" "$folder" "$count" "$seed" "$(git -C "$root" rev-parse --short HEAD)" "$work/$(echo "$folder-$seed" | tr / -).jsonl" $near
