#!/usr/bin/env bash
# How old is what the program is made of? For each library that is shipped: its version, the day on which its jar was packed (as the
# jar says; some say nothing true), and the newest there is on Maven Central. Wants the program built, unzip, curl and the network.
set -eu
cd "$(dirname "$0")/../.."
bom=app/target/bom.json
[ -f "$bom" ] || { echo "build the program first: mvn package" >&2; exit 1; }
central=https://repo.maven.apache.org/maven2
printf '%-58s %-12s %-12s %s\n' library version packed newest
grep -o '"purl" : "pkg:maven/[^"?]*' "$bom" | sed 's|.*pkg:maven/||' | grep -v '^wildflourish/' | sort -u | while IFS=/@ read -r group artifact version; do
  path=$(echo "$group" | tr . /)/$artifact
  day=$(unzip -l "app/target/lib/$artifact-$version.jar" | grep -oE '20[0-9]{2}-[0-9]{2}-[0-9]{2}' | sort | tail -1 || true)
  newest=$(curl -s "$central/$path/maven-metadata.xml" | sed -n 's|.*<release>\(.*\)</release>.*|\1|p')
  printf '%-58s %-12s %-12s %s\n' "$group:$artifact" "$version" "${day:-unknown}" "$([ "$newest" = "$version" ] && echo "this one" || echo "${newest:-unknown}")"
done
