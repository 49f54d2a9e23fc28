<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" sourcelanguage="en">
<context>
    <name>QObject</name>
    <message>
        <source>Tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Metre · key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>missing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>several rules</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · track&apos;s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>mid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>L</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>R</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>   copy</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Copy clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Copied to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Moved to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Repeat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Trim</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stretch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>
%1 times round</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 s %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fade in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fade out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1   %2 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo at %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo of %1 – %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 selected: turn the wheel over it, or press Enter to say by how much</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move section</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is track %2 now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop %1 – %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The audio is missing:
%1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 first downbeat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>pick-up</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>±%1 ms · ○ before ● after</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>being measured</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>on %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ms late of %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ms early of %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select a clip, or a source on the shelf:
its recording, its beats and where they land are shown here.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fitted loops</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stems, a track each</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Mix</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo map (MIDI)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proof (page and table)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 kB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 MB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 GB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>on the bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>on figures</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>on the rails</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 – 9</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To that section from the next bar line on; with Alt at once</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Left, Right</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Play position by one grid step</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ctrl+Left, Ctrl+Right</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Alt while dragging</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Free of the grid; Ctrl copies</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Edge of a clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Upper third repeats, middle trims, lower third stretches</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Out of the window</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A clip dragged there is handed over as a fitted file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ctrl+wheel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Zoom; Shift+wheel scrolls sideways</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Wheel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Turns it; with Shift finer</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Double click</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Shift while dragging a knob</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ten times slower, free of onsets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 by name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 by tag</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>not read yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>played free</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>gone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>cannot be read</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>one hit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>maybe %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>on the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ms early</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ms late</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>keep project time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>stay as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>lead</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the clip&apos;s own</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>from its track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>from the project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it leads</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>mono</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>left</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>right</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>swapped</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>stereo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>▸ %1 · %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>▾ Sections</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>counts as </source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>this clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no longer there</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>today</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>yesterday</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 moves here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Set the recording&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 BPM, %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its only clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>all %1 clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>leads</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>held at %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>counts as %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Write tempo into files</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo, key and beats are written into this file. What is not named stays as it is, and the audio bit for bit.

%1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo, key and beats are written into %1 files. What is not named stays as it is, and the audio bit for bit.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Write</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no beat found</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is now %2 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 sources</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 sources. %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Half tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Double tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Round tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follow</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stop following</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 follows the project&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 stays as long as it is now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 sources follow the project&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 sources stay as long as they are now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as the project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 frames</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 to %2 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>±%1 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Device rate</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Where it differs from the project&apos;s, what is played is converted on its way.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Buffer</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How much sound the device asks for at once: less answers sooner, more is safer on a busy machine. A sound server has its own.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Theme</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>paper</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>lamplight</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>New sources, on import</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fitted to the project&apos;s time; or kept as recorded; or the project takes the tempo of the first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempos I work at</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Where a recording may be counted twice as fast or half as fast, these count more; so do the project&apos;s tempo and what came from the same folder. What is clearly heard, named or tagged stays.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Audio</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>When the project is saved: copied into its folder, which can then be moved; or left where it lies.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>copied into the project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>used where it is</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>In time up to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A hit that is farther off counts as early or late. Most ears let 10 ms pass.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 bears</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Up to so much longer or shorter a sound is stretched gently by each method; up to twice as much firmly. The meeting tempo spares what bears less.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>swing %1 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>eighths</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>eighth triplets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>sixteenths</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>sixteenth triplets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>± %1 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>loose ± %1 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>%n hits</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>in time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>early</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>late</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>loose</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>off the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>unread</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 was fitted first: its hits run at %2 BPM, not at %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>bar %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> to </source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Up, Down</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To the lane or track above or below; with Shift its clip as well</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To the clip, section, point or change before or after; with Shift that clip as well</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Alt+arrows in a lane</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Moves a section or a point; up and down turn its tempo, with Shift finer</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Enter</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Opens the Bench; in a lane, and on an empty track, types</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>on buttons</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Presses it; Space too where it was reached by Tab</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Types it, as Enter does; Escape takes it back</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ctrl+PgUp, Ctrl+PgDown</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To the pin before or after; with Shift that pin as well</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Moves the picked pins by 1 ms, without any the tried click; with Ctrl ten, with Shift a tenth</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Names the picked pin; without any, pins here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Paper is light; by lamplight it is dark; ink is black on white, with all the contrast there is.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>ink</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tag</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Length</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tapped</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Typed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tag</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>length</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tapped</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>typed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>struck</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>bass</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>keys</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>held</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>voice</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>mix</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>gentle</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>firm</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>hard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>untouched</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Slices</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Place</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fixed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fills its beats at every tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cut at its onsets: each piece goes to its place and keeps its length</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Starts on its beat; the length stays as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keeps its seconds, whatever the tempo does</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Drums, percussion, plucked rhythm: every attack stays as it was played</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pads, chords, drones: long tones stay smooth</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Full mixes: tones and attacks each in their own way</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A voice or one instrument: its colour stays</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pitch follows speed, as on tape</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Led by</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Who says when the project plays, and where. A JACK transport is started and stopped from here too; a MIDI clock is not.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pads</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tap the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>do nothing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the project itself</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>JACK</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>JACK, at the project&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>MIDI clock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Whether what is struck at that port taps the project&apos;s tempo.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>SourceColumns</name>
    <message>
        <source>Source</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tag</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Length</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>By hand</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Kind</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rule</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Confidence</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Strain %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proof</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Feel</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app</name>
    <message>
        <source>free</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>not following the project&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>several</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the clips differ</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>not on the page</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>unread</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>being measured</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 hits, median %3 ms, 95 % within %4 ms, worst %5, drift %6 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>, pitch %1 cents</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>; %1 of %2 clips are being measured</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Split</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Slice into parts</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Into how many equal parts?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Slice</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Slice at onsets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sensitivity in per cent: 0 cuts at the strongest only, 100 at all</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Shuffle</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Reverse the order</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>shuffled</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>in reverse order</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Repeat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How often do the clips play?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 times</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>loops</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>plays once</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Trim</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>starts at %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>ends at %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Over how many seconds?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fades in over %1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fades out over %1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Crossfade</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>equal-power crossfade of %1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Unlock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>locked, edits change nothing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>unlocked</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Mute</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>muted</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>unmuted</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name and number the clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name; an empty one gives the clips their sources&apos; names again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: named by the source again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: named %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: named %2 and numbered</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Colour</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the track&apos;s colour</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>colour %1 of 8</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>moved to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Trim silence</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>starts with its first sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Split at the play position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Repeat…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>L&amp;oop</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>S&amp;lice</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Slice into &amp;parts…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Slice at &amp;onsets…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Reverse the slices</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Shuffle the slices</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Trim</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Trim &amp;silence at the start</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Trim s&amp;tart to the play position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Trim &amp;end to the play position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Fade and level</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade &amp;in…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade &amp;out…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Crossfade where clips touch…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Normalise the &amp;peak to −1 dBTP</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Normalise the &amp;loudness to −16 LUFS</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Undo normalising</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>E&amp;xtract as a source</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loc&amp;k</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Mute</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Name…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Change colour</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Mo&amp;ve</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move to the &amp;play position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move &amp;earlier</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move &amp;later</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move to the track a&amp;bove</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move to the track belo&amp;w</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Delete clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Delete clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 deleted</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Redo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cu&amp;t</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Copy</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Paste at the play position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Delete</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select &amp;all</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select all &amp;others</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select all on the same trac&amp;k</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select all of the same &amp;source</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All audio lies in the project&apos;s folder now.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;File</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;New project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Starting anew</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Open…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Opening another project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Open a &amp;recent project…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Save</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Save &amp;as…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Brin&amp;g all audio into the folder</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Import…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Find &amp;missing audio…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Import a &amp;tempo map (MIDI)…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Add a &amp;folder…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Scan its folders again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Add the selected &amp;clips to the library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Deliver…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Preferences…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How many bars shall the selected clip fill?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How many bars shall each of the %1 selected clips fill?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> Now: %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fit to bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fitted to 1 bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fitted to %1 bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stretch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To how many per cent of its length as recorded?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>stretched to %1 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as recorded, not stretched, not transposed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fit now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fitted to the project&apos;s tempo as it is now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take project time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 clip has the project&apos;s time here, and follows from now on</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 clips have the project&apos;s time here, and follow from now on</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follow the key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: in the key of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: struck sounds, and those without a key, follow none</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: follows the key, %2 semitones here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: the project has no key here to follow</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Relative keys</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>may follow into the relative key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>follows into the same key only</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Time rule</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>time rule %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As its &amp;track says</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the track&apos;s time rule</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Other ways to fit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fi&amp;t</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Fit to bars…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stretch by &amp;percentage…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Back to as &amp;recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Set the recording&apos;s tempo &amp;from the clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fit to the project &amp;now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take project time &amp;here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Time rule</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follow the &amp;key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Also into the &amp;relative key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Place the source first: it leads where it lies.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing leads yet.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Smooth the lead</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>By how many milliseconds may a beat miss?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Hold</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project holds one tempo: %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stop leading and scale the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Per cent of the tempo now:</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Scale the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The same feel at %1 %; the recording follows like the others</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Lead</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lead with &amp;one tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lead &amp;bar by bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lead b&amp;eat by beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Smooth the lead…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stop &amp;leading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Hold at the mean tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stop leading and s&amp;cale the tempo…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>First downbeat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>first downbeat at %1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>first downbeat a beat later</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>first downbeat a beat earlier</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Introduction</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How many bars come before this moment?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 bar of introduction</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 bars of introduction</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The marked part alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>loops between the marks</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Forget pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>back to the beats of the reading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Straighten</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the playing stays, at one tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>every beat on the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>every bar on the grid, the playing within stays</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>every four bars on the grid, the playing within stays</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Strai&amp;ghten</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Played &amp;free: find every beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Played to a &amp;click: one tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lay every &amp;beat on the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lay every ba&amp;r on the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lay every p&amp;hrase of four bars on the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Keep the playing, at one tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>In the &amp;Bench</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lines on &amp;quarters</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lines on &amp;eighths</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lines on &amp;triplets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lines on &amp;sixteenths</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Show &amp;all of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Show the selected &amp;pins or the marked part</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Show &amp;one beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pi&amp;ns</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Pin here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Next onset</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pre&amp;vious onset</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>First &amp;downbeat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>First &amp;downbeat here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>First downbeat a beat &amp;later</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>First downbeat a beat &amp;earlier</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Introduction before here…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>By &amp;ear</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>L&amp;oop between the marks</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Play the &amp;marked part alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Trial click &amp;half as fast</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Trial click &amp;twice as fast</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Use the trial click&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>N&amp;ame the pin…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lock or unloc&amp;k the pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Remove the pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Back to what was &amp;heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One &amp;tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One tempo &amp;between the selected pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One tempo from here to the &amp;last pin</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One tempo &amp;through this pin</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop range from %1 to %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The loop range repeats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plays through the loop range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click on</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Counts in 1 bar before playing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plays without a count-in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To section &amp;%1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To section &amp;%1 at once</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Play</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Play or stop</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Back to the &amp;beginning</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Loop the range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Set the loop range around the &amp;selection</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Audition the selected file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Compa&amp;re (A|B)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Click</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Count &amp;in before playing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To a sec&amp;tion</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To a section at &amp;once</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Reconnect the sound &amp;device</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No hit was measured yet.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No hit is off by more than %1 ms.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tolerance</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Up to how many milliseconds off does a hit count as in time?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Hits up to %1 ms off count as in time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proo&amp;f</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pro&amp;ve all clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Go to the hit &amp;farthest off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Go to the &amp;next hit that is off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Set the &amp;tolerance…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 clip selected</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 clips selected</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Other counting</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 → %3 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Source</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Half tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Double tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Round the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ta&amp;p the source&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Other counting</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Count &amp;dotted beats (×1½)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Count &amp;plain beats (×⅔)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Play the recording &amp;alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Follow the project&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Listen again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Set</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Make a set of the selected</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Dissolve the set</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select &amp;all of the set</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>F&amp;orget the settled tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Write tempo as a tag…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select a point in the tempo lane first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo point</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo holds from here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo glides to the next</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follow the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stop following</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Clips fill their beats at every tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Clips stay as long as they are now, at every tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project&apos;s time rule is %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Te&amp;mpo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>T&amp;ype the project tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Tap the project tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Set the tempo where sources &amp;meet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo &amp;point here…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Hold the tempo from here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Glide to the next point</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Scale the tempo map…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>S&amp;ection here…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Metre or &amp;key here…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Clips &amp;follow the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Time rule of the p&amp;roject</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>track %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>New track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 added</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Duplicate track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: duplicated, with its clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Remove track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>removed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>moved up</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>moved down</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Solo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>solo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>solo off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the project&apos;s time rule</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As the &amp;project says</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>T&amp;rack</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;New track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Rename…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Duplicate</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Remo&amp;ve</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move &amp;up</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move do&amp;wn</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Solo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All tracks &amp;lower</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All tracks &amp;higher</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select a clip or a source: the Bench opens with it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Page B&amp;ars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Page So&amp;urces</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Page S&amp;train</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Zoom &amp;in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Zoom &amp;out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sho&amp;w all</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Show the s&amp;election</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Follow the play position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Search the li&amp;brary</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Filter the libra&amp;ry</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Lanes over the bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Shelf</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Be&amp;nch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>By la&amp;mplight</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;First steps</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Words</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Keys</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;About Patient Metre</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rarer f&amp;igures and feel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tighten new clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>new clips are tightened by %1 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>new clips come as they were played</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tighten new clips like this &amp;one</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Guide</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ed&amp;ges</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Begin earlier</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Begin &amp;later</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;End earlier</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>End la&amp;ter</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>In blac&amp;k ink</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loo&amp;k</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;First mark here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Second mark here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project goes by itself</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>L&amp;ed by</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The &amp;project itself</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;JACK: its place and its tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>J&amp;ACK, at the project&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;MIDI clock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Take the tempo of MIDI</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Audition</name>
    <message>
        <source>%1 is not there.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::AuditionPanel</name>
    <message>
        <source>In tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fitted to the project&apos;s tempo; else as it was recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Repeat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Auto</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>In key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>In the project&apos;s key as well, where both keys are known</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Level of the audition</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · being read</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>being read</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Audition the selected file, or stop (A)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Repeats until another file is selected</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plays a file as soon as it is selected</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Start at once</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>While the project plays: does not wait for the next bar line</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No file selected</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select a file to hear it.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::AuditionWave</name>
    <message>
        <source>Waveform of the selected file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Press: the audition goes on from there (Left and Right: a second)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Place in the file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Autosave</name>
    <message>
        <source>The autosave failed, and is tried again. %1</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::BarsView</name>
    <message>
        <source> · Enter takes it, Esc takes it back</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo from %1 on, in BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo point</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo %1 BPM from %2 on</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>By how much the range&apos;s tempo changes: −6, +2.5 or 110 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>By how much the tempo of all of it changes: −6, +2.5 or 110 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is neither a number of BPM, such as −6, nor a percentage, such as 110 %.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo is %1 % of what it was</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo is %1 BPM %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>slower</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>faster</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>section %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name of the section at %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Section</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Metre and key from bar %1 on, such as 3/4, D minor, or 3/4 D minor; “no key” ends the key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is neither a metre, such as 3/4, nor a key, such as D minor.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Metre and key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>From bar %1 on: %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name of the track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rename track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Delete tempo point</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Delete section</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Delete change</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing changes at bar %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>new track</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1   %2 files one after the other</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1   %2 files, each on a track of its own</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Place</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is not a file on this machine.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Right edge of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Left edge of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>repeat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>trim</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>stretch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Upper third repeats, middle trims, lower third stretches.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Above it trims, in the lower third it stretches.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Drag to fade in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Drag to fade out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Drag to move, with Ctrl to copy, with Alt free of the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Double click makes a point · drag selects a range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click: play goes there at the next bar line, with Shift at once · drag moves it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Double click makes a section</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Double click changes metre or key from that bar on</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Mute</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Solo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Gain of the track in dB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Track gain</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a gain in decibels.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pan of the track, −100 left to 100 right</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pan</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a place between −100 (left) and 100 (right).</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo %1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 BPM over the range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bars: tracks and clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing is selected.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Moved to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>locked</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The whole piece: click or drag to look elsewhere.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click: play from here. Drag: loop range.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Not all files can be imported</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The loop was not ready yet: drag the clip out again.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 exported</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 loops exported</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Drag: place and tempo · wheel: tempo · double click: type the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move section</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Trim</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Begins at %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ends at %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Play position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sections</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>section %1, %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Play from here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rename</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tempo from %1 on</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>from %1 on: %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>track %1, %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>time rule %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>mute track %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>hear track %1 alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>gain of track %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 dB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>pan of track %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>muted</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Open in the Bench</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select as well</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Menu</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beginning of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>end of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fade in of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fade out of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Bench</name>
    <message>
        <source>Bench</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click: fold the Bench, or open it (B)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Scrolls both rails</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Card: settings of the selection</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Marks</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The click is moved; the source stays as it is until it is used.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> (%1)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select a clip or a source to work on it here.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>mono</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>stereo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>More</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The rarer figures of the recording, and what can be done about its beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rarer figures of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>quarters</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>eighths</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>triplets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>sixteenths</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lines of the grid in the lower rail</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>B opens the Bench</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>B folds the Bench</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing selected</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>, no beat found</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 clips of %2 selected</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 recordings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As recorded above · as it would lie from bar 1 below</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As recorded above · the grid that follows it below</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As recorded above · as it is placed below</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As recorded above · on the grid below</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 kHz %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>first downbeat %1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>played free</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>set of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>all %1 clips</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::ByEar</name>
    <message>
        <source>Click</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo of the click</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo of the click, to be tried by ear: the project is left alone until it is used. Wheel: ±0.1, with Shift ±0.01. In the rails: Up and Down, with Ctrl ±1, with both half and double.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Back</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The click goes back to the source&apos;s own beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo by ear</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is %2 BPM, by ear</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 taps; from the fourth on they count.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tap tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 tapped: %2 BPM · %3. Pick it among the readings to use it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Play alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plays the recording alone, unstretched, from the brass line (Shift+Space)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A click on the recording&apos;s beats while it plays alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loops between the marks, which can be dragged meanwhile</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Set the source to the click&apos;s tempo and beats</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Card</name>
    <message>
        <source>Method</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Transpose, in semitones</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Up or down by semitones; with Shift, by cents. 1.5, 1 st 50 ct or 150 ct can be typed.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Gain of the clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Gain in decibels</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Transpose</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep formants</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A voice that is transposed keeps its colour; not on Tape</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Formants</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Gain</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Strain</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a gain in decibels.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a number of semitones between −24 and 24.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>mixed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Several methods</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Time rule</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sensitivity of onsets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Which onsets cut slices: 0 % the strongest only, 100 % all</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sensitivity</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a percentage</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Onsets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follows the project&apos;s key, by the shorter way; struck sounds never do</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follow the key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Relatives</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Also from minor into the relative of a major key, and back</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Relative keys</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Its level as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Peak</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>True peak to −1 dBTP</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Integrated loudness to −16 LUFS (EBU R 128)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Normalise</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Noise</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Channels</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>L</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>R</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Flip phase</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade in, in seconds</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade in, in seconds; wheel: 0.05 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade out, in seconds</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade out, in seconds; wheel: 0.05 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a length in seconds</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Repeats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a number of repeats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Offset</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name of the clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name; several clips are numbered. Empty: as the source is called</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Unlock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Mute</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>· from several places</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>· %1, not following</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as its source</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>More</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The rarer settings of the selected clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Counts as</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Begins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fades, s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Counts as, in BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo that the selected clips alone count as. Wheel: ±1, with Shift ±0.1. Empty: their recording&apos;s own.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bars filled</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How many bars each selected clip fills; of what loops, one turn. Wheel: ±1. Whole bars can be typed (F).</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Begins at bar, beat and part</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Where the first of the selected clips begins: bar · beat · part. Wheel: a beat, with Shift a sixteenth.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Offset, in beats of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Which beat of the recording the clip begins with; the clip stays where it is</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How many times the clip plays</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a whole number of bars.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fit to bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>locked · %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>for all %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Make this the tempo of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Make this the tempo of the recording, for all its %1 clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Make these the tempos of the recordings, for all their clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>By how much of its length the clip is stretched where it begins: %1 % of its length, %2 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Voice</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loudness</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Reduce noise</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Turns steady noise under the recording down, gently</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Invert the left channel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Invert the right channel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop from this beat of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The loop begins at this beat of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop up to this beat of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The loop ends at this beat of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop from</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lock the clip: edits change nothing (Ctrl+K)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Mute the clip (M)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Colour</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Change colour</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>for all</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tighten</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Feel</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Clipboard</name>
    <message>
        <source>Nothing is selected.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One clip copied</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 clips copied</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cut</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One clip cut</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 clips cut</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Paste</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pasted at %1</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::CompareRow</name>
    <message>
        <source>Compare with</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What the selected clips are compared with</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Compare: the other, as loud as the clip (X)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Hearing the clip as it is set</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is heard once it is rendered</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Hearing %1, by %2 dB to be as loud</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::DeliverList</name>
    <message>
        <source>Files that will be written</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>File</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Size</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>is there already</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>waits</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>written</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>not written</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::DeliverSheet</name>
    <message>
        <source>Deliver</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Replace the files that are there already</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Write these files</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Close</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Folder</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose the folder</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name pattern of the loops</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{name}, {bpm}, {key}, {track}, {beats} and {number} are filled in.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Format</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bits</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>24 bit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>16 bit, dithered</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>32 bit float</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Quality</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>quality 0, smallest</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>quality 10, best</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>quality %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sample rate</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as the project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Level</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as it is</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no higher than −1 dBTP</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>peak to −1 dBTP</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>loudness to −16 LUFS</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>True peak and loudness as EBU R 128 measures them. Mix and stems get one gain, so that the stems still add up to the mix.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo, key, beats and place written into the files</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Names</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Folder for what is delivered</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>From bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To the end of bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tail in seconds</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>and a tail of</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stems, mix</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 file · %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 files · %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tick what is to be delivered.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Some of these names are taken. Tick the box to replace those files, or choose another folder or pattern.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Deliver %1 files</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Delivered</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a bar number.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a number of seconds.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose a folder.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 cannot hold %2 kHz: written at %3 kHz.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Delivery</name>
    <message>
        <source>Delivering</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Delivering %1 files</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 of %2 files written to %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Delivery cancelled · </source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · one sample was above full scale and was cut</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · %1 samples were above full scale and were cut</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Exporting</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Not everything could be exported</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is in the library already.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Not everything was added to the library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Adding to the library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One loop added to the library: a right click there gives it tags</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 loops added to the library: a right click there gives them tags</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>None of these has a tempo to write.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Writing tempos into files</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Some tempos were not written</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Written into files that have other names</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo was written into one file; its audio is unchanged.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempos were written into %1 files; their audio is unchanged.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Device</name>
    <message>
        <source>The sound device has gone (%1): playing silently.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Looking for a sound device</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Playing through %1</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Document</name>
    <message>
        <source>What led is gone; the tempo stays as it was.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recover</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The oldest steps can no longer be undone: together they took more than %1 MB.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Undone: %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Redone: %1</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::EmptyPage</name>
    <message>
        <source>Ways to begin</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Drop loops, samples or stems here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Each gets a track, its first downbeat on a bar line, fitted to the project&apos;s tempo.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Import files…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ctrl+I</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Add a folder to the library…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>then found by tempo and key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Open the demo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>ten recordings, in time at 104</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recent</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::EntryModel</name>
    <message>
        <source>The file was not there at the last scan.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::FeelPlot</name>
    <message>
        <source>Feel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>+%1 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>Beat %1, part %2: %3 ms %4, %n hits</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>early</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>late</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Feel, marked part</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Figure</name>
    <message>
        <source>locked: unlock the clip to change it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>locked</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>More</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Less</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Files</name>
    <message>
        <source>Opening %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Opening was cancelled.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project was not opened</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 opened</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project opened, but not all of its audio</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Looking for unsaved work</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a project that was never saved</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recovering</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recovering was cancelled; it is offered again at the next start.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The unsaved work is no longer there, or another window has it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recovered. Save the project to keep it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recovered, but not all of its audio</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Saving %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Saving was cancelled.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project was not saved</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 saved</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::FilterStrip</name>
    <message>
        <source>± %1 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Within %1 % of the project&apos;s tempo, of its half or of its double</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>related key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>In the project&apos;s key, or in one closely related by the circle of fifths</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>favourites</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Only favourites</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This kind of sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>major</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>In a major key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>minor</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>In a minor key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Slowest tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>any</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fastest tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>halves and doubles too</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>any key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>same</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>related</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Shortest, in seconds</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Longest, in seconds</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Order</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>by name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>by tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>by key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>by kind</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>by length</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Seconds</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One of your own tags</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Filters of the library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No key known</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Filters</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All filters, exact limits and the order</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Relation to that key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>best match first</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>only files that are there and whole</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::FoldersPage</name>
    <message>
        <source>Folders</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Only names with…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Order</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>kind</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>length</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Files of the folder</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Add folder…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A folder of loops and samples, looked through with all that lies in it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Scan again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take out of the library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No folder yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 files</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · %1 to read</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Show names containing this</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::HeadStrip</name>
    <message>
        <source>Project tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project tempo in beats a minute. Wheel: ±1, with Shift ±0.1. Double click: type it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What sets the tempo: the project itself, or one recording that everything else follows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Led by</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Metre</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Metre. Wheel: beats in a bar. Double click: type it, such as 3/4.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key of the project. Wheel: by semitones. Double click: type it, such as D minor; “none” ends it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Output gain</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Gain of the output: on all that is heard, not on what is delivered.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Back to the beginning (Home)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Play or stop (Space)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stop; again: back to the beginning</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Loop</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Repeat the loop range (L)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click on every beat (C)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click on every beat (C). Wheel: how loud.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tap</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tap the tempo (T)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Play position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sources meet at</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bar · beat · part</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proof</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>none</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a key. Type one such as D minor, F# or Eb major.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a gain in decibels.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click %1 dB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tapped %1 BPM · %2 taps</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project tempo %1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 leads: the tempo is its own, and everything follows it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no device</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo at which all sources together are stretched least: none is stretched yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo at which all sources together are stretched least: strained %1 % together there, %2 % now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use the meeting tempo, %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use the meeting tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project tempo %1 BPM: all tempos × %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo at which all sources together are stretched least. A recording leads: stop leading first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No beat found in it: the project&apos;s tempo stays.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 says when the project plays, and where</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The MIDI clock that comes in has %1 BPM: this menu takes it</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::HelpPage</name>
    <message>
        <source>Parts of the help</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>First steps</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Words</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keys</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Search the keys</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>type what you want to do, or a key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Close</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Back to the bars (Escape)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Command</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Menu</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Guide</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::ImportReport</name>
    <message>
        <source>Change readings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All readings of all sources, on their page</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Close</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Close this message (Escape)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>and %1 more, on the page Sources</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 by %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use this reading instead</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose reading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Half tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Double tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Half the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Twice the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What was imported, file by file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Shows all lines, or the first three</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1, %2 and %3 more</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 and %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: equally long, %2 s. Recorded together?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Make a set</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One beat map, heard on their sum, for all of them; they stay together to the sample</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>undone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Let this source lead</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project takes the tempo of this source, which plays as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep the source&apos;s own tempo and pitch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stretch the source to the project&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Importing</name>
    <message>
        <source>Importing %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Importing and listening</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Place</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Import</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> The rest was cancelled.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The import was cancelled; nothing was imported.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing was imported</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 sources imported.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 imported</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>, %1 problems</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::InProjectPage</name>
    <message>
        <source>Sources in the project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Every loop, sample or stem that you bring in is listed here, with its tempo and where that is known from.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>one hit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>played free · %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 beats · %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>missing</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>set of %n · </source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Jobs</name>
    <message>
        <source>There is not enough memory for it.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::KeyPlot</name>
    <message>
        <source>Transposition of all sources for every project key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: no source is transposed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 of %3 transposed, %4</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> and others</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key: how far the sources with a known key are transposed, in semitones, by the shorter way</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>all meet, now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>all meet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · a click sets the project&apos;s key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use this key</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::LevelBar</name>
    <message>
        <source>%1: %2. Drag or turn; a double click goes back</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Levels</name>
    <message>
        <source>Normalise</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The audio of a selected clip is missing; its level cannot be measured.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Measuring levels</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 dBTP</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 LUFS</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Brought to %1: %2 dB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 clips brought to %2</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::LibraryDesk</name>
    <message>
        <source>The library was begun anew</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is no longer looked through; its files are where they were.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No folder is in the library yet: add one.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Scanning %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Scanning folders</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The folders could not be scanned</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 of %2 files could not be read</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 files in the library&apos;s folders: %2 new, %3 changed, %4 gone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cancelled: %1 files were read and are kept.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::LibraryPage</name>
    <message>
        <source>Search the library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Search name, tag, key, kind</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Files in the library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Add folder…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A folder of loops and samples, looked through with all that lies in it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Scan again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Read what is new or changed in the library&apos;s folders</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name a folder of loops and samples: each file in it is listened to once, and then found here by name, tempo, key and kind.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A folder for the library; all within it is looked through</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 found</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 files</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Listening</name>
    <message>
        <source>Listening to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listening again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listen again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listened to %1 sources again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is heard at %2 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No beat is heard between these tempos.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Finding the beats of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Straighten</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>%1: %n pins follow the playing</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>%1 runs at one tempo, %2 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>Listening to %n sources together</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>The project&apos;s rate was changed meanwhile: keep them together once more.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The sources stay apart.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Make a set</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>%n sources are a set, heard at %1 on their sum</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n sources are a set; no beat is heard on their sum</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>None of these sources belongs to a set.</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>Listening to %n sources one by one</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>Dissolve the set</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>Set dissolved: %n sources go by their own beats</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Listening to %n sources</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>Not everything could be heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select the clips that are to take its feel.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Finding the feel of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take a feel</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>%n clips have the feel of %1</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
</context>
<context>
    <name>app::MainWindow</name>
    <message>
        <source>Project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pages</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sources</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Strain</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Snap</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>½ beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>¼ beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>New sources</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Drop audio on the bars · Space plays · double click a figure to type it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Untitled</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Quitting</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Help</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Patient Metre %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Brings loops, samples and stems to one tempo and one grid, and keeps their pitch.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Free software under the GNU General Public License, version 3 or later.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fonts: Inter and Metre Figures (from Vollkorn), under the SIL Open Font License.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Patient Metre ended unexpectedly while working on %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recover it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recovering</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Reconnect the device</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What imported files do: follow the project&apos;s time, stay as recorded, or lead</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Other programs</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::MessageBar</name>
    <message>
        <source>Details</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Close</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Close this message (Escape)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Close (%1 more)</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Meter</name>
    <message>
        <source>Output level</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Output level; click to forget an overload</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>silent</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Output over</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Output</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::OwnWordsEditor</name>
    <message>
        <source>Own tags, with commas between them</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tags: reed, dusk</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Notes</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep tags and notes (Enter)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 files</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>mixed: what is typed takes their place</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Not now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Discard the changes (Escape)</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::PreferencesSheet</name>
    <message>
        <source>Preferences</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Groups of preferences</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sound device</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>none: simulated, silent</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Device</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Where the sound goes. A simulated one plays in real time, and nobody hears it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Playing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Level of the click</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Gain of the output</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a gain in decibels.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How loud the click on the beats is; the first of a bar is accented.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Output</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A gain on all that is heard, the click too; what is delivered has none of it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>none</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Count-in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bars of click before it plays.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rate of the project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sample rate</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>At which everything is rendered and delivered. Changed, all audio is read anew from its files.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Time rule</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Time rule of the project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What clips do when the tempo changes, where neither they nor their track say otherwise.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>New sources</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proof and strain</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>system default</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Looking for sound devices</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Empty the cache</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cache</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Decoded and fitted audio, %1 GB in %2, there at once the next time. All of it can be made again.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a percentage.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Appearance</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Other programs</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>MIDI in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>MIDI out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Looking for MIDI ports</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project&apos;s clock goes out here: its tempo, starts, stops and places.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clock that comes in here may lead, or its tempo be taken.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::ProjectDialogs</name>
    <message>
        <source>Import audio</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Audio (*.wav *.aif *.aiff *.flac *.ogg *.oga *.opus *.mp3)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All files (*)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Open a project: its folder, or the project.json in it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Projects (project.json)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Save the project as a folder</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Folder:</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project was not saved</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 holds other things already. Choose a new name; the project becomes a folder of that name.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Not saved yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 loses what was changed since the last save.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Save first</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Discard changes</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stay</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Opening another project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No project was opened or saved yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Where may the missing audio lie? All folders within are looked through</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take tempo and metre from a Standard MIDI File</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Standard MIDI Files (*.mid *.midi *.MID)</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::ProofSummary</name>
    <message>
        <source>%1 being measured</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proof: %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>nothing yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1. The hit that is farthest off is %2: press to go there.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Measured: how the rendered clips lie on the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 waiting</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Proofs</name>
    <message>
        <source>early</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>late</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>there is nothing to prove yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proof: %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · worst hit %1 ms %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is not enough memory for it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be proven: %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proving one clip</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proving %1 clips</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::RailsView</name>
    <message>
        <source>Move a pin</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beat %1 at %2 s%3 · %4 BPM from here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>, on an onset</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pin to another beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beat %1, at %2 · %3 BPM from here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 to %2 s · %3 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>onset %1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beat %1 at %2 s · %3 BPM from here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · before %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Drag a knob · P pins here · double click names a pin · , . step through onsets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The source as recorded, and as it is heard on the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No onset comes after this.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No onset comes before this.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Onset at %1 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pin</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pinned: %1 s is beat %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Remove pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Beat %1 at %2 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lock pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Unlock pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Locked: nothing moves these pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Unlocked</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pick one pin to name.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name the pin</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What begins here: verse, break, weir. It shows over the bars.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Straight between</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Straight between the picked pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pick the pin from which it is to be straight.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Straight to the end</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Straight from here to the last pin</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Straight from here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Straight from this pin on, and before it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>drag: both marks · Ctrl: new ones</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No beats to pin yet: type a tempo first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One pin removed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 pins removed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The pin is beat %1 now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Set a hit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>this hit on beat %1 · %2 ms %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>sooner than played</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>later than played</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>hit at %1 s, drawn · drag it to where it is to sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Place in the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pin here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Next onset</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Previous onset</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>first mark</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>second mark</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pins</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>pin on beat %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>set by hand</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>locked</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lock or unlock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Remove</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Beats in view</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beat %1</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::ReadingsStrip</name>
    <message>
        <source>Readings of the source&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo of the source, typed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>not yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>click to type</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>nothing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>  ·  %1 beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>  ·  weight %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>
Confidence %1. A click uses it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> A right click offers its other tempos.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>in use</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use %1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Remembered</name>
    <message>
        <source>Nothing was remembered of these.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Forgotten what was settled for %1 sources.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Forget</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Forgotten what was settled for one source.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::SelectionList</name>
    <message>
        <source>Selected clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>At</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rule</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Method</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Strain</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Proof</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>, worst %1 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Session</name>
    <message>
        <source>%1 could not be done</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Not everything could be fitted; playing tries it again</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Shelf</name>
    <message>
        <source>Where audio comes from</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Folders</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>In project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No longer a favourite</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A favourite</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tags and notes…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Show in its folder</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stop the audition	A</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Audition	A</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Import at the play position	Enter</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Set the project to this tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lend its feel to the selected clips</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Sounds</name>
    <message>
        <source>Reading the audio at %1 kHz</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The rate stays as it was.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sample rate</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project is at %1 kHz</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Not all of the audio could be read</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>Reading %n sources at the project&apos;s rate</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>Nothing is missing.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Looking for missing audio in %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All of the missing audio was found</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 of %2 found; %3 still missing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select one clip whose audio is there: the part that it plays becomes a source of its own.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clip is locked; unlock it first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Extracting a part of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The part was not extracted</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Extract</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is a source of its own; the recording it comes from stays whole</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Emptying the cache</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What was kept on disk is removed; it is made again as it is needed.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Audio could not be read from the disk</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Part of what lies in %1 was cut short, or its disk went; it is silent now. Open the project again to read it anew.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::SourceColumn</name>
    <message>
        <source>Straighten…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take project time here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tap</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listen for tempos from</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listen for tempos up to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listens between these tempos; one octave, 70 to 140 say, settles half and double</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listen between</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>and</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Beats between the marks</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bars between the marks</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How many lie between the marks in the ruler of the recording: its tempo follows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Marked</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Metre of the source</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tap bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Taps are on bars, not on beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Which onsets count</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Which onsets count: the strongest alone on the left, all that were found on the right. Knobs, marks and steps hold to these.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Onsets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How strictly the playing is laid on its beats: 0 % keeps it as it was played, at one tempo. Wheel: ±5 %.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a percentage.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follow the playing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As it was played, at one tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is now %2 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pick tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listen between two tempos, the lower one first: 70 and 140, say.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a number of bars.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a number of beats.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Beats between marks</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 bars between the marks are %3 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 beats between the marks are %3 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Finds the beats, and lays the playing on them as strictly as you say</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Let this source lead…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The beats of this recording become the project&apos;s tempo, and it plays as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>For a recording that was played to this project: its beats become the project&apos;s here, and follow from then on</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Half the tempo (Alt+−)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Twice the tempo (Alt++)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tap while the recording plays alone (Shift+T): the tempo stands among the readings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Round the tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To the whole number next to it (Alt+R)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Metre of the recording: 2 to 12 beats in a bar, or 6/8, 7/8, 9/8, 12/8. Wheel, or type it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Metre</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>One onset counts</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 onsets count</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Strictness of straightening</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Straightened to %1 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use a reading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 BPM, %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 BPM, typed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follow by bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follow by phrases</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Leads…</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::SourceFigures</name>
    <message>
        <source>Tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo of the recording in BPM. Wheel: ±1, with Shift ±0.1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Beats from the first downbeat to the end: this says the tempo from the length.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>First downbeat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>First downbeat, in seconds into the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key of the recording, such as Dm; empty: it has none</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a number of beats.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a time in seconds.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a key.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Key of the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>mixed</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::SourcesPage</name>
    <message>
        <source>Filter the sources</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Filter by name, key, kind, tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Half the tempo of the selected rows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Twice the tempo of the selected rows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Round</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The selected rows to the whole number next to each</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listen again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Listens to the selected rows again and uses what ranks highest</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Writes tempo and key into the selected rows&apos; own files; the audio stays bit for bit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Follow</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Whether the selected rows follow the project&apos;s tempo: off, they stay as long as they are</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo for the selected rows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sources with their readings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Every source gets a row here: what its name, its tag, the ear and its length say of its tempo, side by side. Drop audio to begin.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 sources</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 of %2 sources</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · %1 disagree</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · %1 selected</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Each of the selected rows goes its own way again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The selected rows were recorded together: one beat map for all of them</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Set tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The source is now %1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 sources are now %2 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Write tags</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Make a set</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use a reading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 BPM, %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 source</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Dissolve</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::StatusLine</name>
    <message>
        <source>Progress</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fitting was cancelled; playing or changing something goes on with it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: waits</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2 of %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Fitting: %1 of %2 clips</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cancel this job</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::StrainBar</name>
    <message>
        <source>Strain</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::StrainPage</name>
    <message>
        <source>Sources, the most strained first</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project tempo %1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>At %1, worst first</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · %1 of it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>half</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>double</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Point at a line to read it · click selects its source · drag the red line to try a tempo · wheel zooms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Shows what is left out, and why</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project key %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 left out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 left out</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::StrainPlot</name>
    <message>
        <source>Strain of each source at every project tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Use</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The project goes to the tempo at which all meet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>gentle</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>firm</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>hard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Strain of each source at every project tempo, in per cent</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>all meet here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tried</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>now</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No source is stretched yet. Bring in loops, and see here what each of them would suffer at every tempo of the project, and where all of them meet.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 BPM · together %2 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 as %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>all meet at %1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::TempoPlot</name>
    <message>
        <source>The tempo as played, beat by beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo as played, beat by beat; dashed: as a whole. Double click: a pin on that beat.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tempo as played</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beat %1 · %2 BPM%3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · nothing played</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tempo not known</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pin here</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::TempoTaking</name>
    <message>
        <source>Finding the tempo of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo of the file was not taken</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: no beat found, the project&apos;s tempo stays.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project tempo %1, from %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Reading %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo map was not taken</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo map</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 tempos taken from %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo map was taken, but not all of it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lead</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 leads: %2, no beat misses by more than %3 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>one tempo, %1 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>%n tempos</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>The tempo is the project&apos;s own already.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Let go</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing leads any more: the tempo stays, and is the project&apos;s own</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Meet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All meet at %1: none is strained more than %2 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · one counts as half or double</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> · %1 count as half or double</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Tightening</name>
    <message>
        <source>Tighten, in per cent</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How far hits are drawn to the grid that the recording plays: 0 % as played, 100 % exactly. Wheel: ±5, with Shift ±1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its own</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Whose feel hits are drawn to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a percentage.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tighten</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Grid that hits are drawn to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>what it plays</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tighten to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Swing that hits are drawn to, in per cent</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Where the second of each pair falls: 50 % even, 66.7 % triplets. Empty: the recording&apos;s own, or that of the feel it takes.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Swing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Hits that are left alone, in milliseconds</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Hits that lie nearer than this stay where they were played</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a number of milliseconds.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Leave alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Its own</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take the feel of</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep this feel…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take a feel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep this feel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The name under which it can be taken again, in every project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The feel of %1 is kept as %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>mixed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Whose feel hits are drawn to. Its own: %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>own</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>%n hits have no room to be drawn and stay as they were played; %1 are drawn</source>
        <translation type="unfinished">
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>Hits that are left for being weaker, in per cent of the strongest</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Hits weaker than this, of the strongest, go along with their neighbours: ghost notes, say</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Leave weaker</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Together</name>
    <message>
        <source>Choose the port that the MIDI clock comes in by first: Preferences, Other programs.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Looking for JACK</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>JACK says when the project plays, at the project&apos;s tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>JACK says when the project plays, and where</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>JACK does not lead</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Opening a MIDI port</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No MIDI comes in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No MIDI goes out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has gone: the project goes by itself</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 leads: %2 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No MIDI clock comes in.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo of MIDI</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Project tempo %1 BPM, as the MIDI clock has it</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>app::Transport</name>
    <message>
        <source>From the next bar line on at %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>At %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 · %2 · %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There are no sections yet: double click in their lane makes one.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There are %1 sections.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 leads: it says when the project plays, and where</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>core</name>
    <message>
        <source>%1 could not be written: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the disk is full</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>you may not write there</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the folder is not there</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a file of that name is there already</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the name is too long</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the disk refused it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has %2 in other places (hard links): %3 what it was before.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>another name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 other names</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>that one keeps</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>those keep</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be read: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>there is no such file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is not a regular file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it has %1 MB, and no more than %2 MB are read</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>you may not read this file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A beat map needs at least two pins.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A pin must have a time and a beat.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pins must each lie after the one before, in the recording and in beats.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a metre. Type beats and unit, such as 4/4, 3/4 or 6/8.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A metre map begins at bar 1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1/%2 at bar %3 is not a metre.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The points of a metre map must each lie after the one before.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempos lie between 20 and 400 BPM.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a place: type bar, beat and part, such as 7.3 or 7.3.24.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a tempo. Type a number of beats a minute, such as 104 or 97.5.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A tempo lies between %1 and %2 BPM; %3 does not.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A tempo map needs at least one point.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A tempo map begins at beat 0.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo map has %1 BPM at beat %2; tempos lie between 20 and 400 BPM.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The points of a tempo map must each lie after the one before.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A time map needs at least two points.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A time map&apos;s output begins at frame 0.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A time map must run forwards, in the source and in the output.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That would stretch to %1 % of the length; %2 to %3 % can be done.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>you may not look into it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is not there</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is no folder</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be listed: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: its chunk %2 is too long.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it was cut off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be written: it would become larger than 4 GB, which such files cannot say.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 was changed while it was read.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is not an audio file of a kind that is known here, or it is damaged</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ogg Opus</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ogg Vorbis</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the file was cut off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it was joined from parts of different rates or channels, and only the first of them can be used</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>FLAC holds no rate of %1 Hz: above 65535 it must be a multiple of ten</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ogg Vorbis reaches up to 200000 Hz, and this is at %1 Hz</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 holds no rate of %2 Hz; the next that it can is %3 Hz</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its ID3 tag is damaged</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its ID3 tag is of a version that is not known here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no number</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the file was cut off or is damaged</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the MP3 decoder could not be started</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is a folder</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the file is empty</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 min</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it has %1 channels, and only mono and stereo can be used</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its sample rate of %1 Hz is outside %2 to %3 Hz</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is %1 long, and this kind of file may be %2 at most</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its samples reach %1, where full scale is 1: they were written in another scale</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>there is no sound in it, or it is damaged</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ends early: %2, and %3 could be read.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ends early: %2 of %3 could be read.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>none of its samples is a number</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 holds one sample that is no number; it was made silent.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 holds %2 samples that are no numbers; they were made silent.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>there is not enough memory for it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The sample rate could not be converted from %1 to %2 Hz: %3.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is damaged</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>there is no room left in its comments</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its comments are damaged</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>files of this size (RF64) hold no tags</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>files of this kind (RIFX) hold no tags</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>files of this kind hold no tags here</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it was joined from several parts</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 was not written into: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>that would have changed its audio</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>what was written could not be read back</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo could not be written into %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo written into %1 could not be read back.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its name must end in .wav, .aiff, .flac, .ogg, .opus or .mp3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>AIFF holds no more than 4 GB; WAV does</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>this kind of file takes no %1 channels at %2 Hz</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its tempo tag could not be written</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>only %1 of its %2 hits lie on its beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its hits lie anywhere between its beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1/8 triplets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1/16 triplets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>one hit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>one hit, no beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>confidence %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>played free</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>measured %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beat from %1:%2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>played free: no one length of a beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no whole number of beats fits</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>exact</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>nearly</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” in the name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” in the folder&apos;s name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>nothing in the name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tag</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tag</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Length</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>length</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tapped</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tapped</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Typed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>typed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>you said so</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>It is too long to be kept in memory for listening, and there is no room for it in %1: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The sample rate of %1 Hz could not be converted for listening.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 taps · ±%2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>half of what is heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>twice what is heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>an entry stands in the place of its number</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is not enough memory to stretch this.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stretch and transposition together go beyond what can be done.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The result would be %1 minutes long and need %2 GB of memory.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A transposition lies between −24 and 24 semitones.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is no sound to stretch.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The result would be %1 hours long; %2 can be done.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No clip is selected.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That clip is no longer in the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is locked here; unlock the clip to change it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 of the %2 clips %3 locked; unlock them to change them.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>is</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>are</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That track is no longer in the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That source is no longer in the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 lies between %2 and %3 %4; %5 does not.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>These clips count as their recordings do already.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>shape of tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>way to snap</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>time rule</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>way to normalise</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>choice of channels</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>shape of fade</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>degree of straightness</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>way of playing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>grid of a feel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>way to lead</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a reading&apos;s tempo is out of range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the pins of a reading do not follow each other</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“listen” is no range of tempos</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the marks of a source are out of range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the notes on pins do not follow each other</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a note on a pin has no pin</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“beatUnit” is out of range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the places of a feel do not follow each other in its bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the tempo that a clip counts as is out of range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a clip&apos;s tempo is out of range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a clip&apos;s turn is out of range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a clip&apos;s times are out of range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the loop range is out of range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the sections do not follow each other</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A clip&apos;s source is no longer in the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A clip loops up to %1 times.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That would be more than 20000 clips.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>None of these clips goes on across that place.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A clip is cut into 2 to 20000 parts.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A clip cannot be trimmed by that.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing of %1 would be left: a clip lasts 5 ms or more.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is silent where this clip plays it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A clip ends after it begins.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That is too short to loop.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A number of repeats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>times</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A loop ends after it begins.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no beats to count in.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has %2 beats; the loop lies within them.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing of %1 is marked.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no such beat to begin with.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A crossing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No two of these clips touch with sound beyond their edges to cross over with.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A clip cannot lie that far from the beginning.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A clip cannot be moved by that.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is no track there.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A sensitivity</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Not every clip&apos;s level was measured.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A name has up to 1000 bytes.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A transposition</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>semitones</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A turn</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A gain</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A fade</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Clips of one track can be put in another order; these lie on several.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That is no order of these clips.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing was copied.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The sources of what was copied are no longer in the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is no pin on that beat.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The pin on beat %1 is locked; unlock it to move it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Between its beats %1 and %2 %3 would run at %4 BPM; tempos lie between %5 and %6.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Between its beats %1 and %2 %3 would be stretched to %4 %; it goes from 25 to 400.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no beats to pin; say its tempo first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pins cannot cross: each lies after the one before, in the recording and in beats.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A pin lies within the recording&apos;s %1 s.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is a pin on beat %1 already.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That name is too long.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pick two pins or more: what lies between them is laid straight.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That is the last pin; there is nothing after it to lay straight.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no reading in use to go back to.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>by ear</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How strictly a recording follows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A bar of a recording has 2 to 12 beats, or is one of 6/8, 7/8, 9/8 and 12/8.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The first downbeat of %1 must lie within its %2 s.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no tempo yet; its first downbeat needs one.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>An introduction has 0 to 1000 bars.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 begins less than %2 bars before that.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 cannot have a tempo of %2 BPM; tempos lie between %3 and %4.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tapped to the recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no tempo from that reading.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 needs at least one beat.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 beats in %2 s</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The marks of %1 must lie within its %2 s, one after the other.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The first downbeat of %1 is locked; unlock its pin to move it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no tempo yet.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 cannot count as %2 BPM; tempos lie between %3 and %4.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clip leads: stop leading, and it can be stretched.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clip&apos;s source is no longer in the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no tempo yet; say what it is first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clip leads: stop leading, and it can count as another tempo.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A stretch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Between 1 and 1024 bars can be filled.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no beats.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clip leads: stop leading, and it can be fitted.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is no change of tempo there.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing of the tempo is selected.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is no section there.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bars count from 1; %1 is none that can be changed.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A change of tempo cannot lie that far from the beginning.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo begins at bar 1; it cannot change before it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo at bar 1 can be changed, not removed.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The metre at bar 1 can be changed, not removed.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is no change of metre there.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is no change of key there.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A section begins at bar 1 or after it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A section needs a name of 1 to 1000 bytes.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Another section begins there already.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A loop range must run forwards, from bar 1 on.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A pan</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>(left to right)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A track needs a name of 1 to 1000 bytes.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There are eight colours.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Even</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Light swing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Triplets</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>feels</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A feel is kept under a name.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The name of a feel has at most 100 bytes.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be made: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>written in the file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its loop chunk says %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>in the file&apos;s loop chunk</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the tempo written in the file is no number</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the tag says “%1”, which is no tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>nothing written</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>root note %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 counted as %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: being listened to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no beat heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: %2, placed as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>beat from bar %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>but that is not sure: placed as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fitted to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a file name is not written as hexadecimal bytes</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a source has no file name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a number</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is out of range: it lies between %2 and %3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a whole number</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not text</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is missing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is neither true nor false</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is no %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>kind of sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>kind of reading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a list</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>an “id” is out of range or used twice</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a clip&apos;s source is not in the project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the clip that leads is not in the project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be opened: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the file is damaged or was cut off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is not a Patient Metre project</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“version” is missing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it was made by a newer Patient Metre (format %1; this one reads up to %2)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“version” is out of range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be read as a feel: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is no feel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is of format %1; this Patient Metre reads %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tempo point</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>metre point</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>key point</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>loop range</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>track height</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>pin note</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>feel place</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The keys begin at bar 1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The changes of key must each lie after the one before.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is missing: %2 was not found.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is too short here to be heard.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 loops more than %2 times here.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 cannot be fitted. %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no beats to lead with.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Beats may miss by 0 to %1 ms.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has only one beat; to lead takes two.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 cannot lead: from its beat %2, %3 s in, it would be %4 BPM; tempos lie between %5 and %6.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clip that led is gone.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 cannot lead from so far in the piece.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing leads; the tempo is the project&apos;s own.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That tempo is out of range.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 leads, and the tempo is its own. Stop leading first: Led by, in the head strip.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>counted twice as fast</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>counted half as fast</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>counted in threes</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>confidence %1 · %2%3</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a part of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has nothing where this clip plays it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be saved: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 holds other audio than when the project was saved.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A set takes two sources or more that were recorded together.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 belongs to a set already; dissolve that first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The audio of %1 is missing.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is %2 s long and %3 %4 s; what was recorded together is equally long.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>That set is no longer in the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 leads: the project has its time already.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pins of %1 are locked; unlock them to take other beats.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 loops here; only what was played once was played to the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>taken from the project&apos;s time, bar %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is too short to take a tempo.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Select the clips that were played to this project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is not there to be listened to.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is one hit and has no feel.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no beats to have a feel around.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no feel: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This part of %1 has no feel: %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is in %2, and that feel is of bars in %3.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tightening</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A swing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What is left alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A strength</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clip leads and plays as recorded: stop leading, and it can be tightened.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is played free; pins must say where its beats are before it can be tightened.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A count-in has up to 4 bars.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A locked clip on %1 uses %2; unlock it to change the source&apos;s beats.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>in time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>early</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>late</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>loose</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>off the grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>unread</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>not placed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>not stretched</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No source is stretched: there is nothing to meet.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no beats to be measured by.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing begins in %1 where this clip plays it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing in %1 begins clearly enough to be measured.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it was written by a newer Patient Metre</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>there is no such grid</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a path is not absolute</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>what is known of a file cannot be read</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1, line %2: %3.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>this is no library</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it was written by another version of Patient Metre</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its files were listened to by version %1 of hearing, and this is %2; scan them again there</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it says nothing that is known</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is empty</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is cut off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The library could not be opened from %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: it is damaged.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The library was damaged and has been begun anew; the damaged one is kept as %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1Your own tags could not be taken from %2: %3.%4</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>It is kept as %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The library was begun anew.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Your own tags and folders are in it; scan to fill it again.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What was settled before could not be read from %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tempo could not be remembered</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>settled before, %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it cannot be read (%1)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The library could not be written</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The library could not be read</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be read: there is not enough memory for it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 was changed while it was read; it is read with the next scan.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be opened: %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>JACK does not let this program follow its transport.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Another program gives JACK its tempo already.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No JACK server answers.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has gone.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be opened: the server does not start it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 could not be opened: it takes no connection.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a port of its own</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>simulated: a clock at 112 BPM</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>simulated: nobody listens</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The MIDI port “%1” is not there.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no sound device was found</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>a simulated output was asked for</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is not there: playing through %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Playing silently: %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is not enough memory to render it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>It could not be rendered: %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no sound device: playing silently</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>bar %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 was not written: %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its clip is no longer in the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>nothing could be written</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 changes of metre were left out: they are none, or lie within a bar.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 tempos were left out: they are not between %2 and %3 BPM.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is no Standard MIDI File</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its head is cut off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>its time base makes no sense</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>one of its tracks is damaged</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>there is no track in it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>It says it has %1 tracks, and has %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>It counts in seconds, not in beats: its tempos mean nothing and were left out.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clip is no longer in the project.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The name pattern is empty.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The name pattern may hold {name}, {bpm}, {key}, {track}, {beats} and {number}.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is nothing on the page to deliver yet.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>From bar %1 to bar %2 there is nothing: the range is empty.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>From bar %1 to bar %2 is %3 hours; %4 can be delivered at once.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>There is nothing to deliver yet.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 would be replaced, and it is a recording of this project. Choose another folder or other names.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>only 1 hit begins in it, and a feel rests on %1 at least</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>only %1 hits begin in it, and a feel rests on %2 at least</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 bars</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 bar of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 bars of %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>also %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 beats</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 says %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 only</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 agrees with %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 by its name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 by its tag</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 as heard</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 by its length</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 as tapped</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 as you said</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>in %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 beats in %2</source>
        <translation type="unfinished"></translation>
    </message>
</context>
</TS>
