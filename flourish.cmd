@echo off
rem Starts Wild Flourish on Windows: needs Java 25 or newer and, for the first start, Apache Maven.
setlocal
set "HERE=%~dp0"
set "JAVA=java"
if defined JAVA_HOME set "JAVA=%JAVA_HOME%\bin\java"
if not exist "%HERE%app\target\wild-flourish-app.jar" (
  echo flourish: building the program, which takes a minute or two the first time ... 1>&2
  pushd "%HERE%"
  call mvn -B -q -DskipTests package 1>&2
  if errorlevel 1 (
    popd
    echo flourish: the build failed 1>&2
    exit /b 2
  )
  popd
)
"%JAVA%" -Xlog:disable -Xlog:all=error:stderr --enable-native-access=javafx.graphics,org.xerial.sqlitejdbc -Dfile.encoding=UTF-8 -Xmx4g -p "%HERE%app\target\lib;%HERE%app\target\wild-flourish-app.jar" -m wildflourish.app/wildflourish.app.Main %*
exit /b %errorlevel%
