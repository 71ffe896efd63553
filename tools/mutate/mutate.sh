#!/usr/bin/env bash
# Do the tests of the heart see a change in it? tools/mutate/mutate.sh PACKAGE [TEST...], for example: tools/mutate/mutate.sh fit
# Changes the code of core.PACKAGE in many small ways (PIT) and tells which changes no test of that package, or of those named, sees; the figures
# stand in target/mutate/PACKAGE. Wants Java 25 and Maven. It works on a copy, in which examples of chance are a tenth as many, and in which
# nothing is kept from one test to the next: all changes are tried in one running Java, and what was worked out before a change would hide it.
set -eu
cd "$(dirname "$0")/../.."
package=${1:?"name a package of the heart: growth, ornament, planning or fit"}
shift
tests=wildflourish.core.$package.'*'
if [ $# -gt 0 ]; then
  tests=$(printf "wildflourish.core.$package.%s," "$@")
fi
# The tool runs in Maven's own Java.
if ! "${JAVA_HOME:-/usr}/bin/java" -version 2>&1 | grep -q '"2[5-9]'; then
  JAVA_HOME=$(dirname "$(dirname "$(ls -d /usr/lib/jvm/*25*/bin/java | head -n 1)")")
  export JAVA_HOME
fi
copy=target/mutate/copy
rm -rf "$copy"
mkdir -p target/mutate
git clone -q . "$copy"
reports=$PWD/target/mutate/$package
cd "$copy"
git apply ../../../tools/mutate/forgetting.patch
find core/src/test/java -name '*.java' -exec sed -i -E 's/@Property\(tries = ([0-9]+)[0-9]\)/@Property(tries = \1)/; s/@Property\(tries = [0-5]\)/@Property(tries = 6)/' {} +
mvn -q -ntp test-compile -pl core -Dspotless.check.skip=true
mvn -ntp org.pitest:pitest-maven:mutationCoverage -pl core -DtargetClasses="wildflourish.core.$package.*" -DtargetTests="${tests%,}" -DreportsDirectory="$reports"
