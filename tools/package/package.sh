#!/usr/bin/env bash
# Makes what can be given away: the program with its own Java, its start-up cache, its icon, its notices. Called by ./flourish package, which has built the jars and found a JDK.
#   package.sh JAVA_HOME PROJECT [--type app-image|deb|rpm|dmg|pkg|msi|exe] [--dest FOLDER] [--no-cache]
# On Linux both an app image and a .deb are made where no type is given. The steps for macOS and Windows are these, and have not been tried.
set -eu

jdk=$1
project=$2
shift 2
types=
cache=yes
dest="$project/target/package"
while [ $# -gt 0 ]; do
  case "$1" in
    --type) types="${2:?--type needs one of app-image, deb, rpm, dmg, pkg, msi, exe}"; shift 2 ;;
    --dest) dest="${2:?--dest needs a folder}"; shift 2 ;;
    --no-cache) cache=; shift ;;
    *) echo "flourish package: '$1' is not known; there are --type, --dest and --no-cache" >&2; exit 2 ;;
  esac
done
for tool in jlink jpackage; do
  [ -x "$jdk/bin/$tool" ] || [ -x "$jdk/bin/$tool.exe" ] || { echo "flourish package: $jdk has no $tool; it needs a whole JDK" >&2; exit 2; }
done

case "$(uname -s)" in
  Linux) system=linux; icon=icon-512.png; usual=app-image; ! command -v dpkg-deb >/dev/null || ! command -v fakeroot >/dev/null || usual="app-image deb" ;;
  Darwin) system=mac; icon=icon.icns; usual="app-image dmg" ;;
  *) system=windows; icon=icon.ico; usual=app-image ;;
esac
types=${types:-$usual}
name=wild-flourish
main=wildflourish.app.Main
version=$(sed -n 's/^  <version>\([0-9.]*\).*<\/version>$/\1/p' "$project/pom.xml" | head -n 1)
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
mkdir -p "$dest"
dest=$(cd "$dest" && pwd)

# What the program is made of. The toolkit becomes a part of the Java that goes along; the others are a class path, which alone the start-up cache finds again wherever the folder is put.
mkdir "$work/input" "$work/toolkit"
cp "$project"/app/target/lib/*.jar "$project/app/target/wild-flourish-app.jar" "$work/input/"
mv "$work"/input/javafx-*-*-*.jar "$work/toolkit/"
rm -f "$work"/input/javafx-*.jar
cp "$project/app/target/lib/THIRD-PARTY-NOTICES.txt" "$project/LICENSE" "$project/NOTICE" "$work/input/"
cp "$project/app/target/bom.json" "$work/input/software-bill-of-materials.json"
"$jdk/bin/java" -Djava.awt.headless=true "$project/tools/package/Icon.java" "$work/icons"

"$jdk/bin/jlink" --module-path "$work/toolkit" --add-modules javafx.controls,java.se,jdk.unsupported,jdk.zipfs,jdk.charsets,jdk.localedata,jdk.accessibility --include-locales=en --strip-java-debug-attributes --no-header-files --no-man-pages --compress zip-6 \
  --output "$work/runtime"

usual_options=(--enable-native-access=javafx.graphics,ALL-UNNAMED --sun-misc-unsafe-memory-access=allow -Dfile.encoding=UTF-8 -Xmx4g -Xlog:disable -Xlog:all=error:stderr)
# The window is there sooner with the quicker compiler alone, and gives back what it does not need at rest; commands keep both.
window_options=(-XX:TieredStopAtLevel=1 -XX:G1PeriodicGCInterval=5000 -XX:MinHeapFreeRatio=10 -XX:MaxHeapFreeRatio=25)
printf 'main-jar=wild-flourish-app.jar\nmain-class=wildflourish.app.Main\nwin-console=true\nlinux-shortcut=false\nwin-shortcut=false\nwin-menu=false\n' >"$work/flourish.properties"
"$jdk/bin/jpackage" --type app-image --name "$name" --app-version "$version" --vendor "The founders of Wild Flourish" --copyright "Apache-2.0" \
  --description "Plain tunes grown into decorated versions" --input "$work/input" --main-jar wild-flourish-app.jar --main-class wildflourish.app.Main \
  --runtime-image "$work/runtime" --icon "$work/icons/$icon" --add-launcher flourish="$work/flourish.properties" --dest "$work/image"

case "$system" in
  mac) image="$work/image/$name.app"; jars="$image/Contents/app"; bin="$image/Contents/MacOS" ;;
  windows) image="$work/image/$name"; jars="$image/app"; bin="$image" ;;
  *) image="$work/image/$name"; jars="$image/lib/app"; bin="$image/bin" ;;
esac

# $1: the launcher; the others: its options.
configure() {
  local cfg="$jars/$1.cfg"
  shift
  {
    printf '[Application]\n'
    # In an order of its own: the cache was made for this one.
    (cd "$work/input" && ls *.jar | LC_ALL=C sort) | sed 's/^/app.classpath=$APPDIR\//'
    printf 'app.mainclass=%s\n\n[JavaOptions]\n' "$main"
    printf 'java-options=%s\n' "-Djpackage.app-version=$version" "${usual_options[@]}" "$@"
  } >"$cfg"
}

# The start-up cache is made by the program itself on its way through the demo.
if [ -n "$cache" ]; then
  echo "flourish package: making the start-up cache ..." >&2
  configure flourish "-XX:AOTCacheOutput=$work/start.aot" -Dflourish.training=true
  "$bin/flourish" demo --tour "$work/pictures" >/dev/null 2>"$work/training.log" || { cat "$work/training.log" >&2; exit 1; }
fi
cached=()
if [ -s "$work/start.aot" ]; then
  cp "$work/start.aot" "$jars/start.aot"
  # A cache that does not fit is not used, and nobody is told: the program starts a little slower.
  cached=('-XX:AOTCache=$APPDIR/start.aot' '-Xlog:aot*=off:stderr')
fi
configure "$name" "${window_options[@]}" ${cached[@]+"${cached[@]}"}
configure flourish ${cached[@]+"${cached[@]}"}
# Java reads file names by the locale: in one without UTF-8 it would find no file whose name has an accent. The starters see to it.
if [ "$system" = linux ]; then
  for starter in "$name" flourish; do
    mv "$bin/$starter" "$bin/$starter-java"
    mv "$jars/$starter.cfg" "$jars/$starter-java.cfg"
    printf '%s\n' '#!/bin/sh' '[ "$(locale charmap 2>/dev/null || echo UTF-8)" = UTF-8 ] || export LC_ALL=C.UTF-8' \
      "exec \"\$(dirname \"\$(readlink -f \"\$0\")\")/$starter-java\" \"\$@\"" >"$bin/$starter"
    chmod 755 "$bin/$starter"
  done
fi
test "$("$bin/flourish" --version)" || { echo "flourish package: the image does not start" >&2; exit 1; }

for type in $types; do
  if [ "$type" = app-image ]; then
    rm -rf "$dest/$(basename "$image")"
    cp -a "$image" "$dest/"
    echo "$dest/$(basename "$image")"
    continue
  fi
  associations=()
  while IFS='|' read -r ending mime words; do
    printf 'extension=%s\nmime-type=%s\ndescription=%s\n' "$ending" "$mime" "$words" >"$work/$ending.properties"
    associations+=(--file-associations "$work/$ending.properties")
  done <<'ENDINGS'
abc|text/vnd.abc|Tunes in ABC
musicxml|application/vnd.recordare.musicxml+xml|A score in MusicXML
mxl|application/vnd.recordare.musicxml|A compressed score in MusicXML
mid|audio/midi|A MIDI file
ENDINGS
  more=()
  case "$system" in
    linux) more=(--resource-dir "$project/tools/package/resources" --linux-shortcut --linux-menu-group "AudioVideo;Education;Music" --linux-app-category sound --linux-deb-maintainer flourish@localhost) ;;
    windows) more=(--win-menu --win-shortcut --win-per-user-install) ;;
  esac
  "$jdk/bin/jpackage" --type "$type" --app-image "$image" --name "$name" --app-version "$version" --vendor "The founders of Wild Flourish" \
    --description "Plain tunes of session music grown into decorated versions" --license-file "$project/LICENSE" "${associations[@]}" ${more[@]+"${more[@]}"} --dest "$dest"
  ls "$dest"/*"$version"*."$type"
done
