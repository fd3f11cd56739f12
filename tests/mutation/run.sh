# Sourced by ./altrin mutate: changes the code of a folder of the core in one place at a time and sees whether a test falls.
# Works on a copy; only what git knows is copied.
folder=Simulation count=300 seed=1
while [ $# -gt 0 ]; do
  case $1 in
    --count) count=${2:?--count wants a number}; shift 2 ;;
    --seed) seed=${2:?--seed wants a number}; shift 2 ;;
    -*) die "Unknown: $1. Use --count N or --seed N." ;;
    *) folder=$1; shift ;;
  esac
done
[ -d "$root/src/Altrin.Core/$folder" ] || die "There is no folder src/Altrin.Core/$folder."
need_sdk
command -v node >/dev/null || need_node

work=$root/build/mutation
rm -rf "$work/copy" && mkdir -p "$work/copy" "$work/tool"
(cd "$root" && git ls-files -z -- . ':!web' ':!docs/screenshots' | tar --null -T - -cf - | tar -xf - -C "$work/copy")
# First the tests of the matter, the laws, the second simulator and the kernel's answers: the whole suite at every change would take hours. What survives those is tried
# against the tests of all other matters, without the longest.
suite=$work/copy/tests/Altrin.Core.Tests
rm -rf "$work/others" && cp -r "$suite" "$work/others"
find "$suite" -mindepth 1 -maxdepth 1 -type d ! -name "${folder%%/*}" ! -name Laws ! -name Slow ! -name Kernel -exec rm -rf {} +
[ -x "$work/tool/dotnet-stryker" ] || dotnet tool install dotnet-stryker --version 5.1.0 --tool-path "$work/tool" >&2

# Nobody calls this: a run that does not see it survive could see no survivor at all.
cat > "$work/copy/src/Altrin.Core/$folder/Planted.cs" <<CODE
namespace Altrin.Core.$folder;

internal static class Planted
{
    public static int Sum(int one, int other) => one + other;
}
CODE

stryker() { # NAME
  rm -rf "$work/$1"
  (cd "$work/copy/tests/Altrin.Core.Tests" && cp "$work/$1.json" stryker-config.json &&
    ALTRIN_MUTATION=$folder nice -n 15 "$work/tool/dotnet-stryker" --skip-version-check -O "$work/$1" > "$work/$1.log" 2>&1) || { tail -20 "$work/$1.log" >&2; die "The mutation run failed; its log is $work/$1.log."; }
}

sample() { node "$root/tests/mutation/sample.mjs" "$@"; }

echo "Listing what can be changed in $folder …"
sample list "$folder" > "$work/list.json"
stryker list
sample choose "$work/list/reports/mutation-report.json" "$folder" "$count" "$seed" > "$work/run.json"
echo "Running the tests against each change …"
stryker run
sample report "$work/run/reports/mutation-report.json" "$folder" "$seed"

# Each of these takes five seconds and more.
longest=(Planning Air/ChannelPlanTests.cs Readings/PastedTextLaws.cs Actions/DifferenceTests.cs Actions/HostileDeedTests.cs WorkOrders/OrderSearchTests.cs WorkOrders/OtherwiseTests.cs WorkOrders/PairTests.cs)
echo "Running the other tests against each that survived …"
sample again "$work/run/reports/mutation-report.json" "$folder" > "$work/again.json"
rm -rf "$suite" && mv "$work/others" "$suite"
for one in "${longest[@]}" "${folder%%/*}" Laws Slow Kernel; do rm -rf "${suite:?}/$one"; done
stryker again
sample report "$work/run/reports/mutation-report.json" "$folder" "$seed" "$work/again/reports/mutation-report.json"
