#!/usr/bin/env bash
# Feeds the readers with what a fuzzer makes up that looks which code it reaches: tools/fuzz/fuzz.sh SECONDS [TARGET...]
# Targets: Abc Instructions MusicXml Midi Steps Audio; with none, all of them in turn, each for so many seconds. Wants Java 25, Maven
# and unzip, and fetches the fuzzer from Maven Central. What it finds is left in target/fuzz; the corpus that is kept is beside the tests.
set -eu
cd "$(dirname "$0")/../.."
seconds=${1:?"give a number of seconds for each target"}
shift
targets=${*:-Abc Instructions MusicXml Midi Steps Audio}
java=${JAVA_HOME:-/usr}/bin/java
"$java" -version 2>&1 | grep -q '"2[5-9]' || java=$(ls -d /usr/lib/jvm/*25*/bin/java | head -n 1)
jazzer=0.30.0
mvn -q -ntp dependency:copy -Dartifact=com.code-intelligence:jazzer:$jazzer -DoutputDirectory="$PWD/target/fuzz/lib" -N
mvn -q -ntp dependency:copy -Dartifact=com.code-intelligence:jazzer-api:$jazzer -DoutputDirectory="$PWD/target/fuzz/lib" -N
mvn -q -ntp test-compile -pl formats,sound -am
status=0
for target in $targets; do
  module=formats
  [ "$target" = Audio ] && module=sound
  mvn -q -ntp test-compile dependency:build-classpath -Dmdep.outputFile="$PWD/target/fuzz/$module.classpath" -pl "$module" -am
  kept=$module/src/test/resources/fuzz/$target
  grown=target/fuzz/$target
  mkdir -p "$kept" "$grown" "target/fuzz/found-$target"
  [ ! -f "$kept/learnt.zip" ] || unzip -qn "$kept/learnt.zip" -d "$grown"
  # The first folder takes what is learnt, so that what is kept stays as it is.
  "$java" -cp "target/fuzz/lib/*:$module/target/test-classes:$module/target/classes:core/target/classes:$(cat target/fuzz/$module.classpath)" com.code_intelligence.jazzer.Jazzer \
    --target_class="wildflourish.$module.fuzz.${target}Target" --instrumentation_includes='wildflourish.**' --keep_going=20 --disabled_hooks='com.code_intelligence.jazzer.sanitizers.**' \
    --reproducer_path="target/fuzz/found-$target" "$grown" "$kept" -artifact_prefix="target/fuzz/found-$target/" \
    -max_total_time="$seconds" -timeout=60 -rss_limit_mb=6000 -max_len=20000 || status=1
  # The fuzzer goes on behind a find, and ends as if there had been none.
  for found in "target/fuzz/found-$target"/crash-* "target/fuzz/found-$target"/oom-* "target/fuzz/found-$target"/timeout-*; do
    [ ! -e "$found" ] || { echo "fuzz.sh: found $found" >&2; status=1; }
  done
done
exit $status
