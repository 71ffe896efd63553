@echo off
rem Starts Wild Flourish on Windows: needs a JDK 25 or newer and, for the first start, Apache Maven.
setlocal EnableExtensions DisableDelayedExpansion
set "HERE=%~dp0"
set "TARGET=%HERE%app\target"
set "JAR=%TARGET%\wild-flourish-app.jar"
set "LOCK=%HERE%target\building"

rem --- Java: what it says of itself goes through a file, so that no quotation mark is read twice.
set "JAVA=java"
if defined JAVA_HOME if exist "%JAVA_HOME%\bin\java.exe" set "JAVA=%JAVA_HOME%\bin\java.exe"
set "SAID=%TEMP%\flourish-java-%RANDOM%.txt"
"%JAVA%" -version >"%SAID%" 2>&1
set "MAJOR="
for /f "usebackq tokens=3" %%v in (`findstr /c:" version " "%SAID%"`) do for /f "tokens=1 delims=.-+" %%m in ("%%~v") do if not defined MAJOR set "MAJOR=%%m"
del "%SAID%" >nul 2>&1
if not defined MAJOR goto nojava
if %MAJOR% LSS 25 goto nojava

rem --- The build: a folder is the lock, for only one start can make it.
if exist "%TARGET%\unfinished" goto build
if not exist "%JAR%" goto build
if not exist "%TARGET%\lib\" goto build
goto start

:build
where mvn >nul 2>&1
if errorlevel 1 goto nomaven
if not exist "%HERE%target\" mkdir "%HERE%target"
mkdir "%LOCK%" >nul 2>&1
if errorlevel 1 goto locked
if not exist "%TARGET%\" mkdir "%TARGET%"
type nul >"%TARGET%\unfinished"
if not exist "%TARGET%\unfinished" goto readonly
echo flourish: building the program, which takes a minute or two the first time ... 1>&2
if exist "%JAR%" del "%JAR%"
pushd "%HERE%"
call mvn -B -q -Dmaven.test.skip=true package 1>&2
set "BUILT=%ERRORLEVEL%"
popd
rmdir "%LOCK%" >nul 2>&1
if not "%BUILT%"=="0" goto failed
if not exist "%JAR%" goto failed
del "%TARGET%\unfinished"

:start
"%JAVA%" -Xlog:disable -Xlog:all=error:stderr --enable-native-access=javafx.graphics,org.xerial.sqlitejdbc --sun-misc-unsafe-memory-access=allow -Dfile.encoding=UTF-8 -Xmx4g -p "%TARGET%\lib;%JAR%" -m wildflourish.app/wildflourish.app.Main %*
exit /b %ERRORLEVEL%

:nojava
echo flourish: no Java 25 or newer was found; install a JDK 25 and set JAVA_HOME to it 1>&2
exit /b 2

:nomaven
echo flourish: the program is not built yet and Apache Maven was not found; install Maven 3.8 or newer 1>&2
exit /b 2

:locked
echo flourish: another start is building the program; wait for it, or delete the folder "%LOCK%" when there is none 1>&2
exit /b 2

:readonly
rmdir "%LOCK%" >nul 2>&1
echo flourish: the program is not built yet and nothing can be written in "%TARGET%"; put it where you may write 1>&2
exit /b 2

:failed
echo flourish: the build failed; what Maven said stands above 1>&2
exit /b 2
