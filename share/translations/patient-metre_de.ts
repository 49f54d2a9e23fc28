<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de_DE" sourcelanguage="en">
<context>
    <name>QObject</name>
    <message>
        <source>Tempo</source>
        <translation type="unfinished">Tempo</translation>
    </message>
    <message>
        <source>Metre · key</source>
        <translation type="unfinished">Taktart · Tonart</translation>
    </message>
    <message>
        <source>no key</source>
        <translation type="unfinished">keine Tonart</translation>
    </message>
    <message>
        <source>Bars</source>
        <translation type="unfinished">Takte</translation>
    </message>
    <message>
        <source>missing</source>
        <translation type="unfinished">fehlt</translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation type="unfinished">wie aufgenommen</translation>
    </message>
    <message>
        <source>several rules</source>
        <translation type="unfinished">mehrere Regeln</translation>
    </message>
    <message>
        <source> · track&apos;s</source>
        <translation type="unfinished"> · von der Spur</translation>
    </message>
    <message>
        <source>mid</source>
        <translation type="unfinished">Mitte</translation>
    </message>
    <message>
        <source>L</source>
        <translation type="unfinished">L</translation>
    </message>
    <message>
        <source>R</source>
        <translation type="unfinished">R</translation>
    </message>
    <message>
        <source>   copy</source>
        <translation type="unfinished">   Kopie</translation>
    </message>
    <message>
        <source>Copy clips</source>
        <translation type="unfinished">Clips kopieren</translation>
    </message>
    <message>
        <source>Copied to %1</source>
        <translation type="unfinished">Kopiert nach %1</translation>
    </message>
    <message>
        <source>Move clip</source>
        <translation type="unfinished">Clip verschieben</translation>
    </message>
    <message>
        <source>Move clips</source>
        <translation type="unfinished">Clips verschieben</translation>
    </message>
    <message>
        <source>Moved to %1</source>
        <translation type="unfinished">Verschoben nach %1</translation>
    </message>
    <message>
        <source>1 bar</source>
        <translation type="unfinished">1 Takt</translation>
    </message>
    <message>
        <source>%1 bars</source>
        <translation type="unfinished">%1 Takte</translation>
    </message>
    <message>
        <source>1 beat</source>
        <translation type="unfinished">1 Zählzeit</translation>
    </message>
    <message>
        <source>%1 beats</source>
        <translation type="unfinished">%1 Zählzeiten</translation>
    </message>
    <message>
        <source>Repeat</source>
        <translation type="unfinished">Wiederholen</translation>
    </message>
    <message>
        <source>Trim</source>
        <translation type="unfinished">Beschneiden</translation>
    </message>
    <message>
        <source>Stretch</source>
        <translation type="unfinished">Dehnen</translation>
    </message>
    <message>
        <source>
%1 times round</source>
        <translation type="unfinished">
%1 Runden</translation>
    </message>
    <message>
        <source>%1 s %2</source>
        <translation type="unfinished">%1 s %2</translation>
    </message>
    <message>
        <source>fade in</source>
        <translation type="unfinished">einblenden</translation>
    </message>
    <message>
        <source>fade out</source>
        <translation type="unfinished">ausblenden</translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation type="unfinished">Einblenden</translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation type="unfinished">Ausblenden</translation>
    </message>
    <message>
        <source>%1   %2 BPM</source>
        <translation type="unfinished">%1   %2 BPM</translation>
    </message>
    <message>
        <source>Tempo at %1</source>
        <translation type="unfinished">Tempo bei %1</translation>
    </message>
    <message>
        <source>Tempo of %1 – %2</source>
        <translation type="unfinished">Tempo von %1 – %2</translation>
    </message>
    <message>
        <source>%1 selected: turn the wheel over it, or press Enter to say by how much</source>
        <translation type="unfinished">%1 ausgewählt: darüber am Rad drehen, oder mit Eingabe sagen, um wie viel</translation>
    </message>
    <message>
        <source>Move section</source>
        <translation type="unfinished">Abschnitt verschieben</translation>
    </message>
    <message>
        <source>Move track</source>
        <translation type="unfinished">Spur verschieben</translation>
    </message>
    <message>
        <source>%1 is track %2 now</source>
        <translation type="unfinished">%1 ist jetzt Spur %2</translation>
    </message>
    <message>
        <source>Loop %1 – %2</source>
        <translation type="unfinished">Schleife %1 – %2</translation>
    </message>
    <message>
        <source>Loop range</source>
        <translation type="unfinished">Schleifenbereich</translation>
    </message>
    <message>
        <source>The audio is missing:
%1</source>
        <translation type="unfinished">Die Aufnahme fehlt:
%1</translation>
    </message>
    <message>
        <source>1 first downbeat</source>
        <translation type="unfinished">1 erste Eins</translation>
    </message>
    <message>
        <source>pick-up</source>
        <translation type="unfinished">Auftakt</translation>
    </message>
    <message>
        <source>±%1 ms · ○ before ● after</source>
        <translation type="unfinished">±%1 ms · ○ vorher ● nachher</translation>
    </message>
    <message>
        <source>being measured</source>
        <translation type="unfinished">wird gemessen</translation>
    </message>
    <message>
        <source>on %1</source>
        <translation type="unfinished">auf %1</translation>
    </message>
    <message>
        <source>%1 ms late of %2</source>
        <translation type="unfinished">%1 ms nach %2</translation>
    </message>
    <message>
        <source>%1 ms early of %2</source>
        <translation type="unfinished">%1 ms vor %2</translation>
    </message>
    <message>
        <source>Select a clip, or a source on the shelf:
its recording, its beats and where they land are shown here.</source>
        <translation type="unfinished">Einen Clip auswählen oder eine Quelle im Regal:
hier stehen dann Aufnahme, Zählzeiten und wo sie landen.</translation>
    </message>
    <message>
        <source>Fitted loops</source>
        <translation type="unfinished">Eingepasste Loops</translation>
    </message>
    <message>
        <source>Stems, a track each</source>
        <translation type="unfinished">Stems, je eine Spur</translation>
    </message>
    <message>
        <source>Mix</source>
        <translation type="unfinished">Mischung</translation>
    </message>
    <message>
        <source>Click</source>
        <translation type="unfinished">Klick</translation>
    </message>
    <message>
        <source>Tempo map (MIDI)</source>
        <translation type="unfinished">Tempokarte (MIDI)</translation>
    </message>
    <message>
        <source>Proof (page and table)</source>
        <translation type="unfinished">Nachweis (Seite und Tabelle)</translation>
    </message>
    <message>
        <source>%1 kB</source>
        <translation type="unfinished">%1 kB</translation>
    </message>
    <message>
        <source>%1 MB</source>
        <translation type="unfinished">%1 MB</translation>
    </message>
    <message>
        <source>%1 GB</source>
        <translation type="unfinished">%1 GB</translation>
    </message>
    <message>
        <source>on the bars</source>
        <translation type="unfinished">auf den Takten</translation>
    </message>
    <message>
        <source>on figures</source>
        <translation type="unfinished">auf Zahlen</translation>
    </message>
    <message>
        <source>on the rails</source>
        <translation type="unfinished">auf den Schienen</translation>
    </message>
    <message>
        <source>1 – 9</source>
        <translation type="unfinished">1 – 9</translation>
    </message>
    <message>
        <source>To that section from the next bar line on; with Alt at once</source>
        <translation type="unfinished">Zu diesem Abschnitt ab dem nächsten Taktstrich; mit Alt sofort</translation>
    </message>
    <message>
        <source>Left, Right</source>
        <translation type="unfinished">Links, Rechts</translation>
    </message>
    <message>
        <source>Play position by one grid step</source>
        <translation type="unfinished">Abspielposition um einen Rasterschritt</translation>
    </message>
    <message>
        <source>Ctrl+Left, Ctrl+Right</source>
        <translation type="unfinished">Strg+Links, Strg+Rechts</translation>
    </message>
    <message>
        <source>Alt while dragging</source>
        <translation type="unfinished">Alt beim Ziehen</translation>
    </message>
    <message>
        <source>Free of the grid; Ctrl copies</source>
        <translation type="unfinished">Frei vom Raster; Strg kopiert</translation>
    </message>
    <message>
        <source>Edge of a clip</source>
        <translation type="unfinished">Kante eines Clips</translation>
    </message>
    <message>
        <source>Upper third repeats, middle trims, lower third stretches</source>
        <translation type="unfinished">Oberes Drittel wiederholt, mittleres beschneidet, unteres dehnt</translation>
    </message>
    <message>
        <source>Out of the window</source>
        <translation type="unfinished">Aus dem Fenster hinaus</translation>
    </message>
    <message>
        <source>A clip dragged there is handed over as a fitted file</source>
        <translation type="unfinished">Ein dorthin gezogener Clip wird als eingepasste Datei übergeben</translation>
    </message>
    <message>
        <source>Ctrl+wheel</source>
        <translation type="unfinished">Strg+Rad</translation>
    </message>
    <message>
        <source>Zoom; Shift+wheel scrolls sideways</source>
        <translation type="unfinished">Zoom; Umschalt+Rad rollt seitwärts</translation>
    </message>
    <message>
        <source>Wheel</source>
        <translation type="unfinished">Rad</translation>
    </message>
    <message>
        <source>Turns it; with Shift finer</source>
        <translation type="unfinished">Dreht sie; mit Umschalt feiner</translation>
    </message>
    <message>
        <source>Double click</source>
        <translation type="unfinished">Doppelklick</translation>
    </message>
    <message>
        <source>Shift while dragging a knob</source>
        <translation type="unfinished">Umschalt beim Ziehen eines Knopfs</translation>
    </message>
    <message>
        <source>Ten times slower, free of onsets</source>
        <translation type="unfinished">Zehnmal langsamer, frei von Einsätzen</translation>
    </message>
    <message>
        <source>%1 by name</source>
        <translation type="unfinished">%1 laut Name</translation>
    </message>
    <message>
        <source>%1 by tag</source>
        <translation type="unfinished">%1 laut Tag</translation>
    </message>
    <message>
        <source>%1 heard</source>
        <translation type="unfinished">%1 gehört</translation>
    </message>
    <message>
        <source>not read yet</source>
        <translation type="unfinished">noch nicht gelesen</translation>
    </message>
    <message>
        <source>played free</source>
        <translation type="unfinished">frei gespielt</translation>
    </message>
    <message>
        <source>gone</source>
        <translation type="unfinished">nicht mehr da</translation>
    </message>
    <message>
        <source>cannot be read</source>
        <translation type="unfinished">nicht lesbar</translation>
    </message>
    <message>
        <source>one hit</source>
        <translation type="unfinished">ein Schlag</translation>
    </message>
    <message>
        <source>no beat</source>
        <translation type="unfinished">kein Schlag</translation>
    </message>
    <message>
        <source>maybe %1</source>
        <translation type="unfinished">vielleicht %1</translation>
    </message>
    <message>
        <source>on the grid</source>
        <translation type="unfinished">auf dem Raster</translation>
    </message>
    <message>
        <source>%1 ms early</source>
        <translation type="unfinished">%1 ms früh</translation>
    </message>
    <message>
        <source>%1 ms late</source>
        <translation type="unfinished">%1 ms spät</translation>
    </message>
    <message>
        <source>keep project time</source>
        <translation type="unfinished">Projektzeit halten</translation>
    </message>
    <message>
        <source>stay as recorded</source>
        <translation type="unfinished">wie aufgenommen lassen</translation>
    </message>
    <message>
        <source>lead</source>
        <translation type="unfinished">führen</translation>
    </message>
    <message>
        <source>the clip&apos;s own</source>
        <translation type="unfinished">vom Clip selbst</translation>
    </message>
    <message>
        <source>from its track</source>
        <translation type="unfinished">von seiner Spur</translation>
    </message>
    <message>
        <source>from the project</source>
        <translation type="unfinished">vom Projekt</translation>
    </message>
    <message>
        <source>it leads</source>
        <translation type="unfinished">er führt</translation>
    </message>
    <message>
        <source>mono</source>
        <translation type="unfinished">mono</translation>
    </message>
    <message>
        <source>left</source>
        <translation type="unfinished">links</translation>
    </message>
    <message>
        <source>right</source>
        <translation type="unfinished">rechts</translation>
    </message>
    <message>
        <source>swapped</source>
        <translation type="unfinished">vertauscht</translation>
    </message>
    <message>
        <source>stereo</source>
        <translation type="unfinished">stereo</translation>
    </message>
    <message>
        <source>▸ %1 · %2</source>
        <translation type="unfinished">▸ %1 · %2</translation>
    </message>
    <message>
        <source>▾ Sections</source>
        <translation type="unfinished">▾ Abschnitte</translation>
    </message>
    <message>
        <source>counts as </source>
        <translation type="unfinished">zählt als </translation>
    </message>
    <message>
        <source>this clip</source>
        <translation type="unfinished">dieser Clip</translation>
    </message>
    <message>
        <source>%1 clips</source>
        <translation type="unfinished">%1 Clips</translation>
    </message>
    <message>
        <source>no longer there</source>
        <translation type="unfinished">nicht mehr da</translation>
    </message>
    <message>
        <source>today</source>
        <translation type="unfinished">heute</translation>
    </message>
    <message>
        <source>yesterday</source>
        <translation type="unfinished">gestern</translation>
    </message>
    <message>
        <source>%1 moves here</source>
        <translation type="unfinished">%1 rückt hierher</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished">%1 s</translation>
    </message>
    <message>
        <source>Set the recording&apos;s tempo</source>
        <translation type="unfinished">Tempo der Aufnahme setzen</translation>
    </message>
    <message>
        <source>%1: %2 BPM, %3</source>
        <translation type="unfinished">%1: %2 BPM, %3</translation>
    </message>
    <message>
        <source>its only clip</source>
        <translation type="unfinished">ihr einziger Clip</translation>
    </message>
    <message>
        <source>all %1 clips</source>
        <translation type="unfinished">alle %1 Clips</translation>
    </message>
    <message>
        <source>leads</source>
        <translation type="unfinished">führt</translation>
    </message>
    <message>
        <source>held at %1</source>
        <translation type="unfinished">gehalten bei %1</translation>
    </message>
    <message>
        <source>counts as %1</source>
        <translation type="unfinished">zählt als %1</translation>
    </message>
    <message>
        <source>Write tempo into files</source>
        <translation type="unfinished">Tempo in Dateien schreiben</translation>
    </message>
    <message>
        <source>Tempo, key and beats are written into this file. What is not named stays as it is, and the audio bit for bit.

%1</source>
        <translation type="unfinished">Tempo, Tonart und Zählzeiten werden in diese Datei geschrieben. Was nicht genannt ist, bleibt, wie es ist, und der Ton Bit für Bit.

%1</translation>
    </message>
    <message>
        <source>Tempo, key and beats are written into %1 files. What is not named stays as it is, and the audio bit for bit.</source>
        <translation type="unfinished">Tempo, Tonart und Zählzeiten werden in %1 Dateien geschrieben. Was nicht genannt ist, bleibt, wie es ist, und der Ton Bit für Bit.</translation>
    </message>
    <message>
        <source>Write</source>
        <translation type="unfinished">Schreiben</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation type="unfinished">Abbrechen</translation>
    </message>
    <message>
        <source>no beat found</source>
        <translation type="unfinished">kein Schlag gefunden</translation>
    </message>
    <message>
        <source>%1 is now %2 BPM</source>
        <translation type="unfinished">%1 hat jetzt %2 BPM</translation>
    </message>
    <message>
        <source>%1: %2 sources</source>
        <translation type="unfinished">%1: %2 Quellen</translation>
    </message>
    <message>
        <source>%1: %2 sources. %3</source>
        <translation type="unfinished">%1: %2 Quellen. %3</translation>
    </message>
    <message>
        <source>Half tempo</source>
        <translation type="unfinished">Halbes Tempo</translation>
    </message>
    <message>
        <source>Double tempo</source>
        <translation type="unfinished">Doppeltes Tempo</translation>
    </message>
    <message>
        <source>Round tempo</source>
        <translation type="unfinished">Tempo runden</translation>
    </message>
    <message>
        <source>Follow</source>
        <translation type="unfinished">Folgen</translation>
    </message>
    <message>
        <source>Stop following</source>
        <translation type="unfinished">Nicht mehr folgen</translation>
    </message>
    <message>
        <source>%1 follows the project&apos;s tempo</source>
        <translation type="unfinished">%1 folgt dem Tempo des Projekts</translation>
    </message>
    <message>
        <source>%1 stays as long as it is now</source>
        <translation type="unfinished">%1 bleibt so lang, wie es jetzt ist</translation>
    </message>
    <message>
        <source>%1 sources follow the project&apos;s tempo</source>
        <translation type="unfinished">%1 Quellen folgen dem Tempo des Projekts</translation>
    </message>
    <message>
        <source>%1 sources stay as long as they are now</source>
        <translation type="unfinished">%1 Quellen bleiben so lang, wie sie jetzt sind</translation>
    </message>
    <message>
        <source>as the project</source>
        <translation type="unfinished">wie das Projekt</translation>
    </message>
    <message>
        <source>%1 frames</source>
        <translation type="unfinished">%1 Frames</translation>
    </message>
    <message>
        <source>%1 to %2 BPM</source>
        <translation type="unfinished">%1 bis %2 BPM</translation>
    </message>
    <message>
        <source>±%1 ms</source>
        <translation type="unfinished">±%1 ms</translation>
    </message>
    <message>
        <source>Device rate</source>
        <translation type="unfinished">Rate des Geräts</translation>
    </message>
    <message>
        <source>Where it differs from the project&apos;s, what is played is converted on its way.</source>
        <translation type="unfinished">Weicht sie von der des Projekts ab, wird beim Abspielen umgerechnet.</translation>
    </message>
    <message>
        <source>Buffer</source>
        <translation type="unfinished">Puffer</translation>
    </message>
    <message>
        <source>How much sound the device asks for at once: less answers sooner, more is safer on a busy machine. A sound server has its own.</source>
        <translation type="unfinished">Wie viel Ton das Gerät auf einmal verlangt: weniger antwortet schneller, mehr ist sicherer, wenn der Rechner viel zu tun hat. Ein Soundserver hat seinen eigenen.</translation>
    </message>
    <message>
        <source>Theme</source>
        <translation type="unfinished">Aussehen</translation>
    </message>
    <message>
        <source>paper</source>
        <translation type="unfinished">Papier</translation>
    </message>
    <message>
        <source>lamplight</source>
        <translation type="unfinished">Lampenlicht</translation>
    </message>
    <message>
        <source>New sources, on import</source>
        <translation type="unfinished">Neue Quellen beim Import</translation>
    </message>
    <message>
        <source>Fitted to the project&apos;s time; or kept as recorded; or the project takes the tempo of the first.</source>
        <translation type="unfinished">Auf die Zeit des Projekts eingepasst; oder wie aufgenommen belassen; oder das Projekt übernimmt das Tempo der ersten.</translation>
    </message>
    <message>
        <source>Tempos I work at</source>
        <translation type="unfinished">Tempos, in denen ich arbeite</translation>
    </message>
    <message>
        <source>Where a recording may be counted twice as fast or half as fast, these count more; so do the project&apos;s tempo and what came from the same folder. What is clearly heard, named or tagged stays.</source>
        <translation type="unfinished">Wo eine Aufnahme doppelt oder halb so schnell gezählt werden kann, zählen diese mehr; ebenso das Tempo des Projekts und was aus demselben Ordner kam. Was deutlich gehört, benannt oder getaggt ist, bleibt.</translation>
    </message>
    <message>
        <source>Audio</source>
        <translation type="unfinished">Aufnahmen</translation>
    </message>
    <message>
        <source>When the project is saved: copied into its folder, which can then be moved; or left where it lies.</source>
        <translation type="unfinished">Beim Speichern des Projekts: in seinen Ordner kopiert, der dann umziehen kann; oder dort gelassen, wo sie liegen.</translation>
    </message>
    <message>
        <source>copied into the project</source>
        <translation type="unfinished">ins Projekt kopiert</translation>
    </message>
    <message>
        <source>used where it is</source>
        <translation type="unfinished">an Ort und Stelle benutzt</translation>
    </message>
    <message>
        <source>In time up to</source>
        <translation type="unfinished">Im Takt bis</translation>
    </message>
    <message>
        <source>A hit that is farther off counts as early or late. Most ears let 10 ms pass.</source>
        <translation type="unfinished">Ein Schlag, der weiter weg liegt, gilt als früh oder spät. Die meisten Ohren lassen 10 ms durchgehen.</translation>
    </message>
    <message>
        <source>%1 bears</source>
        <translation type="unfinished">%1 verträgt</translation>
    </message>
    <message>
        <source>Up to so much longer or shorter a sound is stretched gently by each method; up to twice as much firmly. The meeting tempo spares what bears less.</source>
        <translation type="unfinished">Um so viel länger oder kürzer dehnt jedes Verfahren einen Klang sanft; bis zum Doppelten kräftig. Das Treffpunkt-Tempo schont, was weniger verträgt.</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation type="unfinished">%1 %</translation>
    </message>
    <message>
        <source>swing %1 %</source>
        <translation type="unfinished">Swing %1 %</translation>
    </message>
    <message>
        <source>eighths</source>
        <translation type="unfinished">Achtel</translation>
    </message>
    <message>
        <source>eighth triplets</source>
        <translation type="unfinished">Achteltriolen</translation>
    </message>
    <message>
        <source>sixteenths</source>
        <translation type="unfinished">Sechzehntel</translation>
    </message>
    <message>
        <source>sixteenth triplets</source>
        <translation type="unfinished">Sechzehnteltriolen</translation>
    </message>
    <message>
        <source>± %1 ms</source>
        <translation type="unfinished">± %1 ms</translation>
    </message>
    <message>
        <source>loose ± %1 ms</source>
        <translation type="unfinished">locker ± %1 ms</translation>
    </message>
    <message numerus="yes">
        <source>%n hits</source>
        <translation type="unfinished">
            <numerusform>%n Schlag</numerusform>
            <numerusform>%n Schläge</numerusform>
        </translation>
    </message>
    <message>
        <source>in time</source>
        <translation type="unfinished">im Takt</translation>
    </message>
    <message>
        <source>early</source>
        <translation type="unfinished">früh</translation>
    </message>
    <message>
        <source>late</source>
        <translation type="unfinished">spät</translation>
    </message>
    <message>
        <source>loose</source>
        <translation type="unfinished">locker</translation>
    </message>
    <message>
        <source>off the grid</source>
        <translation type="unfinished">neben dem Raster</translation>
    </message>
    <message>
        <source>unread</source>
        <translation type="unfinished">ungelesen</translation>
    </message>
    <message>
        <source>%1 was fitted first: its hits run at %2 BPM, not at %3</source>
        <translation type="unfinished">%1 wurde zuerst eingepasst: seine Schläge laufen mit %2 BPM, nicht mit %3</translation>
    </message>
    <message>
        <source>bar %1</source>
        <translation type="unfinished">Takt %1</translation>
    </message>
    <message>
        <source> to </source>
        <translation type="unfinished"> auf </translation>
    </message>
    <message>
        <source>Up, Down</source>
        <translation type="unfinished">Auf, Ab</translation>
    </message>
    <message>
        <source>To the lane or track above or below; with Shift its clip as well</source>
        <translation type="unfinished">Zur Leiste oder Spur darüber oder darunter; mit Umschalt deren Clip dazu</translation>
    </message>
    <message>
        <source>To the clip, section, point or change before or after; with Shift that clip as well</source>
        <translation type="unfinished">Zum Clip, Abschnitt, Punkt oder Wechsel davor oder danach; mit Umschalt diesen Clip dazu</translation>
    </message>
    <message>
        <source>Alt+arrows in a lane</source>
        <translation type="unfinished">Alt+Pfeile in einer Leiste</translation>
    </message>
    <message>
        <source>Moves a section or a point; up and down turn its tempo, with Shift finer</source>
        <translation type="unfinished">Verschiebt einen Abschnitt oder Punkt; auf und ab ändern sein Tempo, mit Umschalt feiner</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation type="unfinished">Eingabe</translation>
    </message>
    <message>
        <source>Opens the Bench; in a lane, and on an empty track, types</source>
        <translation type="unfinished">Öffnet die Werkbank; in einer Leiste und auf einer leeren Spur wird getippt</translation>
    </message>
    <message>
        <source>on buttons</source>
        <translation type="unfinished">auf Schaltflächen</translation>
    </message>
    <message>
        <source>Presses it; Space too where it was reached by Tab</source>
        <translation type="unfinished">Drückt sie; auch die Leertaste, wenn sie mit Tab erreicht wurde</translation>
    </message>
    <message>
        <source>Types it, as Enter does; Escape takes it back</source>
        <translation type="unfinished">Tippt sie, wie Eingabe es tut; Escape nimmt es zurück</translation>
    </message>
    <message>
        <source>Ctrl+PgUp, Ctrl+PgDown</source>
        <translation type="unfinished">Strg+Bild auf, Strg+Bild ab</translation>
    </message>
    <message>
        <source>To the pin before or after; with Shift that pin as well</source>
        <translation type="unfinished">Zur Nadel davor oder danach; mit Umschalt diese dazu</translation>
    </message>
    <message>
        <source>Moves the picked pins by 1 ms, without any the tried click; with Ctrl ten, with Shift a tenth</source>
        <translation type="unfinished">Verschiebt die gewählten Nadeln um 1 ms, ohne solche den Probeklick; mit Strg zehn, mit Umschalt ein Zehntel</translation>
    </message>
    <message>
        <source>Names the picked pin; without any, pins here</source>
        <translation type="unfinished">Benennt die gewählte Nadel; ohne eine solche steckt es hier eine</translation>
    </message>
    <message>
        <source>Paper is light; by lamplight it is dark; ink is black on white, with all the contrast there is.</source>
        <translation type="unfinished">Papier ist hell; bei Lampenlicht ist es dunkel; Tinte ist schwarz auf weiß, mit allem Kontrast, den es gibt.</translation>
    </message>
    <message>
        <source>ink</source>
        <translation type="unfinished">Tinte</translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>Tag</source>
        <translation type="unfinished">Tag</translation>
    </message>
    <message>
        <source>Heard</source>
        <translation type="unfinished">Gehört</translation>
    </message>
    <message>
        <source>Length</source>
        <translation type="unfinished">Länge</translation>
    </message>
    <message>
        <source>Tapped</source>
        <translation type="unfinished">Getippt</translation>
    </message>
    <message>
        <source>Typed</source>
        <translation type="unfinished">Eingegeben</translation>
    </message>
    <message>
        <source>name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>tag</source>
        <translation type="unfinished">Tag</translation>
    </message>
    <message>
        <source>heard</source>
        <translation type="unfinished">gehört</translation>
    </message>
    <message>
        <source>length</source>
        <translation type="unfinished">Länge</translation>
    </message>
    <message>
        <source>tapped</source>
        <translation type="unfinished">getippt</translation>
    </message>
    <message>
        <source>typed</source>
        <translation type="unfinished">eingegeben</translation>
    </message>
    <message>
        <source>struck</source>
        <translation type="unfinished">geschlagen</translation>
    </message>
    <message>
        <source>bass</source>
        <translation type="unfinished">Bass</translation>
    </message>
    <message>
        <source>keys</source>
        <translation type="unfinished">Tasten</translation>
    </message>
    <message>
        <source>held</source>
        <translation type="unfinished">gehalten</translation>
    </message>
    <message>
        <source>voice</source>
        <translation type="unfinished">Stimme</translation>
    </message>
    <message>
        <source>mix</source>
        <translation type="unfinished">Mischung</translation>
    </message>
    <message>
        <source>gentle</source>
        <translation type="unfinished">sanft</translation>
    </message>
    <message>
        <source>firm</source>
        <translation type="unfinished">kräftig</translation>
    </message>
    <message>
        <source>hard</source>
        <translation type="unfinished">hart</translation>
    </message>
    <message>
        <source>untouched</source>
        <translation type="unfinished">unberührt</translation>
    </message>
    <message>
        <source>Slices</source>
        <translation type="unfinished">Stücke</translation>
    </message>
    <message>
        <source>Place</source>
        <translation type="unfinished">Setzen</translation>
    </message>
    <message>
        <source>Fixed</source>
        <translation type="unfinished">Fest</translation>
    </message>
    <message>
        <source>Fills its beats at every tempo</source>
        <translation type="unfinished">Füllt seine Zählzeiten bei jedem Tempo</translation>
    </message>
    <message>
        <source>Cut at its onsets: each piece goes to its place and keeps its length</source>
        <translation type="unfinished">An seinen Einsätzen geschnitten: jedes Stück geht an seinen Platz und behält seine Länge</translation>
    </message>
    <message>
        <source>Starts on its beat; the length stays as recorded</source>
        <translation type="unfinished">Beginnt auf seiner Zählzeit; die Länge bleibt wie aufgenommen</translation>
    </message>
    <message>
        <source>Keeps its seconds, whatever the tempo does</source>
        <translation type="unfinished">Behält seine Sekunden, was das Tempo auch tut</translation>
    </message>
    <message>
        <source>Drums, percussion, plucked rhythm: every attack stays as it was played</source>
        <translation type="unfinished">Trommeln, Percussion, gezupfter Rhythmus: jeder Anschlag bleibt, wie er gespielt wurde</translation>
    </message>
    <message>
        <source>Pads, chords, drones: long tones stay smooth</source>
        <translation type="unfinished">Flächen, Akkorde, Borduntöne: lange Töne bleiben glatt</translation>
    </message>
    <message>
        <source>Full mixes: tones and attacks each in their own way</source>
        <translation type="unfinished">Ganze Mischungen: Töne und Anschläge je auf ihre Art</translation>
    </message>
    <message>
        <source>A voice or one instrument: its colour stays</source>
        <translation type="unfinished">Eine Stimme oder ein Instrument: die Farbe bleibt</translation>
    </message>
    <message>
        <source>Pitch follows speed, as on tape</source>
        <translation type="unfinished">Die Tonhöhe folgt der Geschwindigkeit, wie beim Tonband</translation>
    </message>
    <message>
        <source>Led by</source>
        <translation type="unfinished">Geführt von</translation>
    </message>
    <message>
        <source>Who says when the project plays, and where. A JACK transport is started and stopped from here too; a MIDI clock is not.</source>
        <translation type="unfinished">Wer sagt, wann das Projekt spielt und wo. Ein JACK-Transport wird auch von hier aus gestartet und gestoppt; eine MIDI-Clock nicht.</translation>
    </message>
    <message>
        <source>Pads</source>
        <translation type="unfinished">Pads</translation>
    </message>
    <message>
        <source>tap the tempo</source>
        <translation type="unfinished">tippen das Tempo</translation>
    </message>
    <message>
        <source>do nothing</source>
        <translation type="unfinished">tun nichts</translation>
    </message>
    <message>
        <source>the project itself</source>
        <translation type="unfinished">das Projekt selbst</translation>
    </message>
    <message>
        <source>JACK</source>
        <translation type="unfinished">JACK</translation>
    </message>
    <message>
        <source>JACK, at the project&apos;s tempo</source>
        <translation type="unfinished">JACK, im Tempo des Projekts</translation>
    </message>
    <message>
        <source>MIDI clock</source>
        <translation type="unfinished">MIDI-Clock</translation>
    </message>
    <message>
        <source>Whether what is struck at that port taps the project&apos;s tempo.</source>
        <translation type="unfinished">Ob Anschläge an diesem Eingang das Tempo des Projekts tippen.</translation>
    </message>
</context>
<context>
    <name>SourceColumns</name>
    <message>
        <source>Source</source>
        <translation type="unfinished">Quelle</translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>Tag</source>
        <translation type="unfinished">Tag</translation>
    </message>
    <message>
        <source>Heard</source>
        <translation type="unfinished">Gehört</translation>
    </message>
    <message>
        <source>Length</source>
        <translation type="unfinished">Länge</translation>
    </message>
    <message>
        <source>By hand</source>
        <translation type="unfinished">Von Hand</translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished">Tempo</translation>
    </message>
    <message>
        <source>Beats</source>
        <translation type="unfinished">Zählzeiten</translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished">Tonart</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation type="unfinished">Art</translation>
    </message>
    <message>
        <source>Rule</source>
        <translation type="unfinished">Regel</translation>
    </message>
    <message>
        <source>Confidence</source>
        <translation type="unfinished">Vertrauen</translation>
    </message>
    <message>
        <source>Strain %</source>
        <translation type="unfinished">Belastung %</translation>
    </message>
    <message>
        <source>Proof</source>
        <translation type="unfinished">Nachweis</translation>
    </message>
    <message>
        <source>Feel</source>
        <translation type="unfinished">Feel</translation>
    </message>
</context>
<context>
    <name>app</name>
    <message>
        <source>free</source>
        <translation type="unfinished">frei</translation>
    </message>
    <message>
        <source>not following the project&apos;s tempo</source>
        <translation type="unfinished">folgt dem Tempo des Projekts nicht</translation>
    </message>
    <message>
        <source>several</source>
        <translation type="unfinished">mehrere</translation>
    </message>
    <message>
        <source>the clips differ</source>
        <translation type="unfinished">die Clips sind verschieden</translation>
    </message>
    <message>
        <source>not on the page</source>
        <translation type="unfinished">nicht auf der Seite</translation>
    </message>
    <message>
        <source>unread</source>
        <translation type="unfinished">ungelesen</translation>
    </message>
    <message>
        <source>%1 ms</source>
        <translation type="unfinished">%1 ms</translation>
    </message>
    <message>
        <source>being measured</source>
        <translation type="unfinished">wird gemessen</translation>
    </message>
    <message>
        <source>%1: %2 hits, median %3 ms, 95 % within %4 ms, worst %5, drift %6 ms</source>
        <translation type="unfinished">%1: %2 Schläge, Median %3 ms, 95 % innerhalb von %4 ms, schlimmster %5, Drift %6 ms</translation>
    </message>
    <message>
        <source>, pitch %1 cents</source>
        <translation type="unfinished">, Tonhöhe %1 Cent</translation>
    </message>
    <message>
        <source>; %1 of %2 clips are being measured</source>
        <translation type="unfinished">; %1 von %2 Clips werden gemessen</translation>
    </message>
    <message>
        <source>Split</source>
        <translation type="unfinished">Teilen</translation>
    </message>
    <message>
        <source>Slice into parts</source>
        <translation type="unfinished">In Stücke schneiden</translation>
    </message>
    <message>
        <source>Into how many equal parts?</source>
        <translation type="unfinished">In wie viele gleiche Teile?</translation>
    </message>
    <message>
        <source>Slice</source>
        <translation type="unfinished">Schneiden</translation>
    </message>
    <message>
        <source>Slice at onsets</source>
        <translation type="unfinished">An Einsätzen schneiden</translation>
    </message>
    <message>
        <source>Sensitivity in per cent: 0 cuts at the strongest only, 100 at all</source>
        <translation type="unfinished">Empfindlichkeit in Prozent: 0 schneidet nur an den stärksten, 100 an allen</translation>
    </message>
    <message>
        <source>Shuffle</source>
        <translation type="unfinished">Mischen</translation>
    </message>
    <message>
        <source>Reverse the order</source>
        <translation type="unfinished">Reihenfolge umkehren</translation>
    </message>
    <message>
        <source>shuffled</source>
        <translation type="unfinished">gemischt</translation>
    </message>
    <message>
        <source>in reverse order</source>
        <translation type="unfinished">in umgekehrter Reihenfolge</translation>
    </message>
    <message>
        <source>Repeat</source>
        <translation type="unfinished">Wiederholen</translation>
    </message>
    <message>
        <source>How often do the clips play?</source>
        <translation type="unfinished">Wie oft spielen die Clips?</translation>
    </message>
    <message>
        <source>%1 times</source>
        <translation type="unfinished">%1-mal</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation type="unfinished">Schleife</translation>
    </message>
    <message>
        <source>loops</source>
        <translation type="unfinished">läuft im Kreis</translation>
    </message>
    <message>
        <source>plays once</source>
        <translation type="unfinished">spielt einmal</translation>
    </message>
    <message>
        <source>Trim</source>
        <translation type="unfinished">Beschneiden</translation>
    </message>
    <message>
        <source>starts at %1</source>
        <translation type="unfinished">beginnt bei %1</translation>
    </message>
    <message>
        <source>ends at %1</source>
        <translation type="unfinished">endet bei %1</translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation type="unfinished">Einblenden</translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation type="unfinished">Ausblenden</translation>
    </message>
    <message>
        <source>Over how many seconds?</source>
        <translation type="unfinished">Über wie viele Sekunden?</translation>
    </message>
    <message>
        <source>fades in over %1 s</source>
        <translation type="unfinished">blendet über %1 s ein</translation>
    </message>
    <message>
        <source>fades out over %1 s</source>
        <translation type="unfinished">blendet über %1 s aus</translation>
    </message>
    <message>
        <source>Crossfade</source>
        <translation type="unfinished">Überblenden</translation>
    </message>
    <message>
        <source>equal-power crossfade of %1 s</source>
        <translation type="unfinished">Überblendung gleicher Leistung über %1 s</translation>
    </message>
    <message>
        <source>Lock</source>
        <translation type="unfinished">Sperren</translation>
    </message>
    <message>
        <source>Unlock</source>
        <translation type="unfinished">Entsperren</translation>
    </message>
    <message>
        <source>locked, edits change nothing</source>
        <translation type="unfinished">gesperrt, Änderungen bewirken nichts</translation>
    </message>
    <message>
        <source>unlocked</source>
        <translation type="unfinished">entsperrt</translation>
    </message>
    <message>
        <source>Mute</source>
        <translation type="unfinished">Stumm</translation>
    </message>
    <message>
        <source>muted</source>
        <translation type="unfinished">stumm</translation>
    </message>
    <message>
        <source>unmuted</source>
        <translation type="unfinished">nicht mehr stumm</translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>Name and number the clips</source>
        <translation type="unfinished">Clips benennen und nummerieren</translation>
    </message>
    <message>
        <source>Name; an empty one gives the clips their sources&apos; names again</source>
        <translation type="unfinished">Name; ein leerer gibt den Clips wieder die Namen ihrer Quellen</translation>
    </message>
    <message>
        <source>%1: named by the source again</source>
        <translation type="unfinished">%1: wieder nach der Quelle benannt</translation>
    </message>
    <message>
        <source>%1: named %2</source>
        <translation type="unfinished">%1: heißt jetzt %2</translation>
    </message>
    <message>
        <source>%1: named %2 and numbered</source>
        <translation type="unfinished">%1: heißt jetzt %2, nummeriert</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation type="unfinished">Farbe</translation>
    </message>
    <message>
        <source>the track&apos;s colour</source>
        <translation type="unfinished">Farbe der Spur</translation>
    </message>
    <message>
        <source>colour %1 of 8</source>
        <translation type="unfinished">Farbe %1 von 8</translation>
    </message>
    <message>
        <source>Move here</source>
        <translation type="unfinished">Hierher verschieben</translation>
    </message>
    <message>
        <source>moved to %1</source>
        <translation type="unfinished">verschoben nach %1</translation>
    </message>
    <message>
        <source>Trim silence</source>
        <translation type="unfinished">Stille abschneiden</translation>
    </message>
    <message>
        <source>starts with its first sound</source>
        <translation type="unfinished">beginnt mit seinem ersten Ton</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation type="unfinished">Aufnahme</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation type="unfinished">Klang</translation>
    </message>
    <message>
        <source>Clip</source>
        <translation type="unfinished">Clip</translation>
    </message>
    <message>
        <source>&amp;Clip</source>
        <translation type="unfinished">&amp;Clip</translation>
    </message>
    <message>
        <source>&amp;Split at the play position</source>
        <translation type="unfinished">An der Abspielposition &amp;teilen</translation>
    </message>
    <message>
        <source>&amp;Repeat…</source>
        <translation type="unfinished">&amp;Wiederholen…</translation>
    </message>
    <message>
        <source>L&amp;oop</source>
        <translation type="unfinished">Sch&amp;leife</translation>
    </message>
    <message>
        <source>S&amp;lice</source>
        <translation type="unfinished">Sch&amp;neiden</translation>
    </message>
    <message>
        <source>Slice into &amp;parts…</source>
        <translation type="unfinished">In &amp;Teile schneiden…</translation>
    </message>
    <message>
        <source>Slice at &amp;onsets…</source>
        <translation type="unfinished">An &amp;Einsätzen schneiden…</translation>
    </message>
    <message>
        <source>&amp;Reverse the slices</source>
        <translation type="unfinished">Stücke &amp;umkehren</translation>
    </message>
    <message>
        <source>&amp;Shuffle the slices</source>
        <translation type="unfinished">Stücke &amp;mischen</translation>
    </message>
    <message>
        <source>&amp;Trim</source>
        <translation type="unfinished">&amp;Beschneiden</translation>
    </message>
    <message>
        <source>Trim &amp;silence at the start</source>
        <translation type="unfinished">&amp;Stille am Anfang abschneiden</translation>
    </message>
    <message>
        <source>Trim s&amp;tart to the play position</source>
        <translation type="unfinished">&amp;Anfang bis zur Abspielposition beschneiden</translation>
    </message>
    <message>
        <source>Trim &amp;end to the play position</source>
        <translation type="unfinished">&amp;Ende bis zur Abspielposition beschneiden</translation>
    </message>
    <message>
        <source>&amp;Fade and level</source>
        <translation type="unfinished">Blenden und &amp;Pegel</translation>
    </message>
    <message>
        <source>Fade &amp;in…</source>
        <translation type="unfinished">&amp;Einblenden…</translation>
    </message>
    <message>
        <source>Fade &amp;out…</source>
        <translation type="unfinished">&amp;Ausblenden…</translation>
    </message>
    <message>
        <source>&amp;Crossfade where clips touch…</source>
        <translation type="unfinished">&amp;Überblenden, wo Clips sich berühren…</translation>
    </message>
    <message>
        <source>Normalise the &amp;peak to −1 dBTP</source>
        <translation type="unfinished">&amp;Spitze auf −1 dBTP normalisieren</translation>
    </message>
    <message>
        <source>Normalise the &amp;loudness to −16 LUFS</source>
        <translation type="unfinished">&amp;Lautheit auf −16 LUFS normalisieren</translation>
    </message>
    <message>
        <source>&amp;Undo normalising</source>
        <translation type="unfinished">&amp;Normalisieren aufheben</translation>
    </message>
    <message>
        <source>E&amp;xtract as a source</source>
        <translation type="unfinished">Als &amp;Quelle herauslösen</translation>
    </message>
    <message>
        <source>Loc&amp;k</source>
        <translation type="unfinished">Spe&amp;rren</translation>
    </message>
    <message>
        <source>&amp;Mute</source>
        <translation type="unfinished">Stu&amp;mm</translation>
    </message>
    <message>
        <source>&amp;Name…</source>
        <translation type="unfinished">&amp;Name…</translation>
    </message>
    <message>
        <source>&amp;Change colour</source>
        <translation type="unfinished">&amp;Farbe ändern</translation>
    </message>
    <message>
        <source>Mo&amp;ve</source>
        <translation type="unfinished">&amp;Verschieben</translation>
    </message>
    <message>
        <source>Move to the &amp;play position</source>
        <translation type="unfinished">Zur Abspielposition verschie&amp;ben</translation>
    </message>
    <message>
        <source>Move &amp;earlier</source>
        <translation type="unfinished">Fr&amp;üher</translation>
    </message>
    <message>
        <source>Move &amp;later</source>
        <translation type="unfinished">&amp;Später</translation>
    </message>
    <message>
        <source>Move to the track a&amp;bove</source>
        <translation type="unfinished">Auf die Spur dar&amp;über</translation>
    </message>
    <message>
        <source>Move to the track belo&amp;w</source>
        <translation type="unfinished">Auf die Spur dar&amp;unter</translation>
    </message>
    <message>
        <source>Delete clip</source>
        <translation type="unfinished">Clip löschen</translation>
    </message>
    <message>
        <source>Delete clips</source>
        <translation type="unfinished">Clips löschen</translation>
    </message>
    <message>
        <source>%1 deleted</source>
        <translation type="unfinished">%1 gelöscht</translation>
    </message>
    <message>
        <source>Select</source>
        <translation type="unfinished">Auswählen</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation type="unfinished">&amp;Bearbeiten</translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation type="unfinished">&amp;Rückgängig</translation>
    </message>
    <message>
        <source>&amp;Redo</source>
        <translation type="unfinished">&amp;Wiederherstellen</translation>
    </message>
    <message>
        <source>Cu&amp;t</source>
        <translation type="unfinished">&amp;Ausschneiden</translation>
    </message>
    <message>
        <source>&amp;Copy</source>
        <translation type="unfinished">&amp;Kopieren</translation>
    </message>
    <message>
        <source>&amp;Paste at the play position</source>
        <translation type="unfinished">An der Abspielposition &amp;einfügen</translation>
    </message>
    <message>
        <source>&amp;Delete</source>
        <translation type="unfinished">&amp;Löschen</translation>
    </message>
    <message>
        <source>Select &amp;all</source>
        <translation type="unfinished">A&amp;lles auswählen</translation>
    </message>
    <message>
        <source>Select all &amp;others</source>
        <translation type="unfinished">Alle &amp;anderen auswählen</translation>
    </message>
    <message>
        <source>Select all on the same trac&amp;k</source>
        <translation type="unfinished">Alles auf derselben S&amp;pur auswählen</translation>
    </message>
    <message>
        <source>Select all of the same &amp;source</source>
        <translation type="unfinished">Alles aus derselben &amp;Quelle auswählen</translation>
    </message>
    <message>
        <source>All audio lies in the project&apos;s folder now.</source>
        <translation type="unfinished">Alle Aufnahmen liegen jetzt im Ordner des Projekts.</translation>
    </message>
    <message>
        <source>&amp;File</source>
        <translation type="unfinished">&amp;Datei</translation>
    </message>
    <message>
        <source>&amp;New project</source>
        <translation type="unfinished">&amp;Neues Projekt</translation>
    </message>
    <message>
        <source>Starting anew</source>
        <translation type="unfinished">Neu anfangen</translation>
    </message>
    <message>
        <source>&amp;Open…</source>
        <translation type="unfinished">&amp;Öffnen…</translation>
    </message>
    <message>
        <source>Opening another project</source>
        <translation type="unfinished">Ein anderes Projekt öffnen</translation>
    </message>
    <message>
        <source>Open a &amp;recent project…</source>
        <translation type="unfinished">&amp;Zuletzt benutztes Projekt öffnen…</translation>
    </message>
    <message>
        <source>&amp;Save</source>
        <translation type="unfinished">&amp;Speichern</translation>
    </message>
    <message>
        <source>Save &amp;as…</source>
        <translation type="unfinished">Speichern &amp;unter…</translation>
    </message>
    <message>
        <source>Brin&amp;g all audio into the folder</source>
        <translation type="unfinished">Alle Aufnahmen in den Ordner &amp;holen</translation>
    </message>
    <message>
        <source>&amp;Import…</source>
        <translation type="unfinished">&amp;Importieren…</translation>
    </message>
    <message>
        <source>Find &amp;missing audio…</source>
        <translation type="unfinished">&amp;Fehlende Aufnahmen suchen…</translation>
    </message>
    <message>
        <source>Import a &amp;tempo map (MIDI)…</source>
        <translation type="unfinished">&amp;Tempokarte importieren (MIDI)…</translation>
    </message>
    <message>
        <source>&amp;Library</source>
        <translation type="unfinished">&amp;Bibliothek</translation>
    </message>
    <message>
        <source>Add a &amp;folder…</source>
        <translation type="unfinished">&amp;Ordner hinzufügen…</translation>
    </message>
    <message>
        <source>&amp;Scan its folders again</source>
        <translation type="unfinished">Ihre Ordner &amp;neu durchsehen</translation>
    </message>
    <message>
        <source>Add the selected &amp;clips to the library</source>
        <translation type="unfinished">Ausgewählte &amp;Clips zur Bibliothek hinzufügen</translation>
    </message>
    <message>
        <source>&amp;Deliver…</source>
        <translation type="unfinished">&amp;Ausliefern…</translation>
    </message>
    <message>
        <source>&amp;Preferences…</source>
        <translation type="unfinished">&amp;Einstellungen…</translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation type="unfinished">&amp;Beenden</translation>
    </message>
    <message>
        <source>How many bars shall the selected clip fill?</source>
        <translation type="unfinished">Wie viele Takte soll der ausgewählte Clip füllen?</translation>
    </message>
    <message>
        <source>How many bars shall each of the %1 selected clips fill?</source>
        <translation type="unfinished">Wie viele Takte soll jeder der %1 ausgewählten Clips füllen?</translation>
    </message>
    <message>
        <source> Now: %1.</source>
        <translation type="unfinished"> Jetzt: %1.</translation>
    </message>
    <message>
        <source>Fit to bars</source>
        <translation type="unfinished">In Takte einpassen</translation>
    </message>
    <message>
        <source>fitted to 1 bar</source>
        <translation type="unfinished">eingepasst in 1 Takt</translation>
    </message>
    <message>
        <source>fitted to %1 bars</source>
        <translation type="unfinished">eingepasst in %1 Takte</translation>
    </message>
    <message>
        <source>Stretch</source>
        <translation type="unfinished">Dehnen</translation>
    </message>
    <message>
        <source>To how many per cent of its length as recorded?</source>
        <translation type="unfinished">Auf wie viel Prozent seiner aufgenommenen Länge?</translation>
    </message>
    <message>
        <source>stretched to %1 %</source>
        <translation type="unfinished">gedehnt auf %1 %</translation>
    </message>
    <message>
        <source>As recorded</source>
        <translation type="unfinished">Wie aufgenommen</translation>
    </message>
    <message>
        <source>as recorded, not stretched, not transposed</source>
        <translation type="unfinished">wie aufgenommen, nicht gedehnt, nicht transponiert</translation>
    </message>
    <message>
        <source>Fit now</source>
        <translation type="unfinished">Jetzt einpassen</translation>
    </message>
    <message>
        <source>Fitted to the project&apos;s tempo as it is now</source>
        <translation type="unfinished">Ins jetzige Tempo des Projekts eingepasst</translation>
    </message>
    <message>
        <source>Take project time</source>
        <translation type="unfinished">Projektzeit übernehmen</translation>
    </message>
    <message>
        <source>1 clip has the project&apos;s time here, and follows from now on</source>
        <translation type="unfinished">1 Clip hat hier die Zeit des Projekts und folgt von nun an</translation>
    </message>
    <message>
        <source>%1 clips have the project&apos;s time here, and follow from now on</source>
        <translation type="unfinished">%1 Clips haben hier die Zeit des Projekts und folgen von nun an</translation>
    </message>
    <message>
        <source>Follow the key</source>
        <translation type="unfinished">Der Tonart folgen</translation>
    </message>
    <message>
        <source>%1: in the key of the recording</source>
        <translation type="unfinished">%1: in der Tonart der Aufnahme</translation>
    </message>
    <message>
        <source>%1: struck sounds, and those without a key, follow none</source>
        <translation type="unfinished">%1: Geschlagenes und was keine Tonart hat, folgt keiner</translation>
    </message>
    <message>
        <source>%1: follows the key, %2 semitones here</source>
        <translation type="unfinished">%1: folgt der Tonart, hier %2 Halbtöne</translation>
    </message>
    <message>
        <source>%1: the project has no key here to follow</source>
        <translation type="unfinished">%1: das Projekt hat hier keine Tonart, der es folgen könnte</translation>
    </message>
    <message>
        <source>Relative keys</source>
        <translation type="unfinished">Paralleltonarten</translation>
    </message>
    <message>
        <source>may follow into the relative key</source>
        <translation type="unfinished">darf in die Paralleltonart folgen</translation>
    </message>
    <message>
        <source>follows into the same key only</source>
        <translation type="unfinished">folgt nur in dieselbe Tonart</translation>
    </message>
    <message>
        <source>Time rule</source>
        <translation type="unfinished">Zeitregel</translation>
    </message>
    <message>
        <source>time rule %1</source>
        <translation type="unfinished">Zeitregel %1</translation>
    </message>
    <message>
        <source>As its &amp;track says</source>
        <translation type="unfinished">Wie seine &amp;Spur sagt</translation>
    </message>
    <message>
        <source>the track&apos;s time rule</source>
        <translation type="unfinished">Zeitregel der Spur</translation>
    </message>
    <message>
        <source>Other ways to fit</source>
        <translation type="unfinished">Andere Arten einzupassen</translation>
    </message>
    <message>
        <source>Fi&amp;t</source>
        <translation type="unfinished">Ei&amp;npassen</translation>
    </message>
    <message>
        <source>&amp;Fit to bars…</source>
        <translation type="unfinished">In &amp;Takte einpassen…</translation>
    </message>
    <message>
        <source>Stretch by &amp;percentage…</source>
        <translation type="unfinished">Nach &amp;Prozent dehnen…</translation>
    </message>
    <message>
        <source>Back to as &amp;recorded</source>
        <translation type="unfinished">Zurück zu wie &amp;aufgenommen</translation>
    </message>
    <message>
        <source>Set the recording&apos;s tempo &amp;from the clip</source>
        <translation type="unfinished">Tempo der Aufnahme vom &amp;Clip setzen</translation>
    </message>
    <message>
        <source>Fit to the project &amp;now</source>
        <translation type="unfinished">&amp;Jetzt ins Projekt einpassen</translation>
    </message>
    <message>
        <source>Take project time &amp;here</source>
        <translation type="unfinished">Projektzeit &amp;hier übernehmen</translation>
    </message>
    <message>
        <source>&amp;Time rule</source>
        <translation type="unfinished">&amp;Zeitregel</translation>
    </message>
    <message>
        <source>&amp;Key</source>
        <translation type="unfinished">Ton&amp;art</translation>
    </message>
    <message>
        <source>Follow the &amp;key</source>
        <translation type="unfinished">Der Tonart &amp;folgen</translation>
    </message>
    <message>
        <source>Also into the &amp;relative key</source>
        <translation type="unfinished">Auch in die &amp;Paralleltonart</translation>
    </message>
    <message>
        <source>Place the source first: it leads where it lies.</source>
        <translation type="unfinished">Die Quelle zuerst setzen: sie führt dort, wo sie liegt.</translation>
    </message>
    <message>
        <source>Nothing leads yet.</source>
        <translation type="unfinished">Noch führt nichts.</translation>
    </message>
    <message>
        <source>Smooth the lead</source>
        <translation type="unfinished">Führung glätten</translation>
    </message>
    <message>
        <source>By how many milliseconds may a beat miss?</source>
        <translation type="unfinished">Um wie viele Millisekunden darf eine Zählzeit danebenliegen?</translation>
    </message>
    <message>
        <source>Hold</source>
        <translation type="unfinished">Halten</translation>
    </message>
    <message>
        <source>The project holds one tempo: %1</source>
        <translation type="unfinished">Das Projekt hält ein Tempo: %1</translation>
    </message>
    <message>
        <source>Stop leading and scale the tempo</source>
        <translation type="unfinished">Führung beenden und Tempo skalieren</translation>
    </message>
    <message>
        <source>Per cent of the tempo now:</source>
        <translation type="unfinished">Prozent des jetzigen Tempos:</translation>
    </message>
    <message>
        <source>Scale the tempo</source>
        <translation type="unfinished">Tempo skalieren</translation>
    </message>
    <message>
        <source>The same feel at %1 %; the recording follows like the others</source>
        <translation type="unfinished">Dasselbe Gefühl bei %1 %; die Aufnahme folgt wie die anderen</translation>
    </message>
    <message>
        <source>&amp;Lead</source>
        <translation type="unfinished">&amp;Führung</translation>
    </message>
    <message>
        <source>Lead with &amp;one tempo</source>
        <translation type="unfinished">Mit &amp;einem Tempo führen</translation>
    </message>
    <message>
        <source>Lead &amp;bar by bar</source>
        <translation type="unfinished">&amp;Takt für Takt führen</translation>
    </message>
    <message>
        <source>Lead b&amp;eat by beat</source>
        <translation type="unfinished">&amp;Zählzeit für Zählzeit führen</translation>
    </message>
    <message>
        <source>&amp;Smooth the lead…</source>
        <translation type="unfinished">Führung &amp;glätten…</translation>
    </message>
    <message>
        <source>Stop &amp;leading</source>
        <translation type="unfinished">Führung &amp;beenden</translation>
    </message>
    <message>
        <source>&amp;Hold at the mean tempo</source>
        <translation type="unfinished">Beim mittleren Tempo &amp;halten</translation>
    </message>
    <message>
        <source>Stop leading and s&amp;cale the tempo…</source>
        <translation type="unfinished">Führung beenden und Tempo &amp;skalieren…</translation>
    </message>
    <message>
        <source>First downbeat</source>
        <translation type="unfinished">Erste Eins</translation>
    </message>
    <message>
        <source>first downbeat at %1 s</source>
        <translation type="unfinished">erste Eins bei %1 s</translation>
    </message>
    <message>
        <source>first downbeat a beat later</source>
        <translation type="unfinished">erste Eins eine Zählzeit später</translation>
    </message>
    <message>
        <source>first downbeat a beat earlier</source>
        <translation type="unfinished">erste Eins eine Zählzeit früher</translation>
    </message>
    <message>
        <source>Introduction</source>
        <translation type="unfinished">Vorspiel</translation>
    </message>
    <message>
        <source>How many bars come before this moment?</source>
        <translation type="unfinished">Wie viele Takte kommen vor diesem Augenblick?</translation>
    </message>
    <message>
        <source>1 bar of introduction</source>
        <translation type="unfinished">1 Takt Vorspiel</translation>
    </message>
    <message>
        <source>%1 bars of introduction</source>
        <translation type="unfinished">%1 Takte Vorspiel</translation>
    </message>
    <message>
        <source>The marked part alone</source>
        <translation type="unfinished">Nur den markierten Teil</translation>
    </message>
    <message>
        <source>loops between the marks</source>
        <translation type="unfinished">läuft zwischen den Marken im Kreis</translation>
    </message>
    <message>
        <source>Forget pins</source>
        <translation type="unfinished">Nadeln vergessen</translation>
    </message>
    <message>
        <source>back to the beats of the reading</source>
        <translation type="unfinished">zurück zu den Zählzeiten der Lesung</translation>
    </message>
    <message>
        <source>Straighten</source>
        <translation type="unfinished">Begradigen</translation>
    </message>
    <message>
        <source>the playing stays, at one tempo</source>
        <translation type="unfinished">das Spiel bleibt, in einem Tempo</translation>
    </message>
    <message>
        <source>every beat on the grid</source>
        <translation type="unfinished">jede Zählzeit auf dem Raster</translation>
    </message>
    <message>
        <source>every bar on the grid, the playing within stays</source>
        <translation type="unfinished">jeder Takt auf dem Raster, das Spiel darin bleibt</translation>
    </message>
    <message>
        <source>every four bars on the grid, the playing within stays</source>
        <translation type="unfinished">alle vier Takte auf dem Raster, das Spiel darin bleibt</translation>
    </message>
    <message>
        <source>Strai&amp;ghten</source>
        <translation type="unfinished">Be&amp;gradigen</translation>
    </message>
    <message>
        <source>Played &amp;free: find every beat</source>
        <translation type="unfinished">&amp;Frei gespielt: jede Zählzeit finden</translation>
    </message>
    <message>
        <source>Played to a &amp;click: one tempo</source>
        <translation type="unfinished">Zum &amp;Klick gespielt: ein Tempo</translation>
    </message>
    <message>
        <source>Lay every &amp;beat on the grid</source>
        <translation type="unfinished">Jede &amp;Zählzeit aufs Raster legen</translation>
    </message>
    <message>
        <source>Lay every ba&amp;r on the grid</source>
        <translation type="unfinished">Jeden &amp;Takt aufs Raster legen</translation>
    </message>
    <message>
        <source>Lay every p&amp;hrase of four bars on the grid</source>
        <translation type="unfinished">Jede &amp;Phrase von vier Takten aufs Raster legen</translation>
    </message>
    <message>
        <source>&amp;Keep the playing, at one tempo</source>
        <translation type="unfinished">&amp;Spiel behalten, in einem Tempo</translation>
    </message>
    <message>
        <source>In the &amp;Bench</source>
        <translation type="unfinished">In der &amp;Werkbank</translation>
    </message>
    <message>
        <source>Lines on &amp;quarters</source>
        <translation type="unfinished">Linien auf &amp;Vierteln</translation>
    </message>
    <message>
        <source>Lines on &amp;eighths</source>
        <translation type="unfinished">Linien auf &amp;Achteln</translation>
    </message>
    <message>
        <source>Lines on &amp;triplets</source>
        <translation type="unfinished">Linien auf &amp;Triolen</translation>
    </message>
    <message>
        <source>Lines on &amp;sixteenths</source>
        <translation type="unfinished">Linien auf &amp;Sechzehnteln</translation>
    </message>
    <message>
        <source>Show &amp;all of the recording</source>
        <translation type="unfinished">&amp;Ganze Aufnahme zeigen</translation>
    </message>
    <message>
        <source>Show the selected &amp;pins or the marked part</source>
        <translation type="unfinished">Gewählte &amp;Nadeln oder markierten Teil zeigen</translation>
    </message>
    <message>
        <source>Show &amp;one beat</source>
        <translation type="unfinished">Eine &amp;Zählzeit zeigen</translation>
    </message>
    <message>
        <source>One tempo</source>
        <translation type="unfinished">Ein Tempo</translation>
    </message>
    <message>
        <source>Pi&amp;ns</source>
        <translation type="unfinished">&amp;Nadeln</translation>
    </message>
    <message>
        <source>&amp;Pin here</source>
        <translation type="unfinished">Nadel &amp;hier</translation>
    </message>
    <message>
        <source>&amp;Next onset</source>
        <translation type="unfinished">&amp;Nächster Einsatz</translation>
    </message>
    <message>
        <source>Pre&amp;vious onset</source>
        <translation type="unfinished">&amp;Voriger Einsatz</translation>
    </message>
    <message>
        <source>First &amp;downbeat</source>
        <translation type="unfinished">Erste &amp;Eins</translation>
    </message>
    <message>
        <source>First &amp;downbeat here</source>
        <translation type="unfinished">Erste &amp;Eins hier</translation>
    </message>
    <message>
        <source>First downbeat a beat &amp;later</source>
        <translation type="unfinished">Erste Eins eine Zählzeit &amp;später</translation>
    </message>
    <message>
        <source>First downbeat a beat &amp;earlier</source>
        <translation type="unfinished">Erste Eins eine Zählzeit &amp;früher</translation>
    </message>
    <message>
        <source>&amp;Introduction before here…</source>
        <translation type="unfinished">&amp;Vorspiel bis hier…</translation>
    </message>
    <message>
        <source>By &amp;ear</source>
        <translation type="unfinished">Nach &amp;Gehör</translation>
    </message>
    <message>
        <source>L&amp;oop between the marks</source>
        <translation type="unfinished">&amp;Schleife zwischen den Marken</translation>
    </message>
    <message>
        <source>Play the &amp;marked part alone</source>
        <translation type="unfinished">Nur den &amp;markierten Teil spielen</translation>
    </message>
    <message>
        <source>Trial click &amp;half as fast</source>
        <translation type="unfinished">Probeklick &amp;halb so schnell</translation>
    </message>
    <message>
        <source>Trial click &amp;twice as fast</source>
        <translation type="unfinished">Probeklick &amp;doppelt so schnell</translation>
    </message>
    <message>
        <source>&amp;Use the trial click&apos;s tempo</source>
        <translation type="unfinished">Tempo des Probeklicks &amp;benutzen</translation>
    </message>
    <message>
        <source>N&amp;ame the pin…</source>
        <translation type="unfinished">Nadel &amp;benennen…</translation>
    </message>
    <message>
        <source>Lock or unloc&amp;k the pins</source>
        <translation type="unfinished">Nadeln s&amp;perren oder entsperren</translation>
    </message>
    <message>
        <source>&amp;Remove the pins</source>
        <translation type="unfinished">Nadeln entfe&amp;rnen</translation>
    </message>
    <message>
        <source>Back to what was &amp;heard</source>
        <translation type="unfinished">Zurück zum &amp;Gehörten</translation>
    </message>
    <message>
        <source>One &amp;tempo</source>
        <translation type="unfinished">Ein &amp;Tempo</translation>
    </message>
    <message>
        <source>One tempo &amp;between the selected pins</source>
        <translation type="unfinished">Ein Tempo &amp;zwischen den gewählten Nadeln</translation>
    </message>
    <message>
        <source>One tempo from here to the &amp;last pin</source>
        <translation type="unfinished">Ein Tempo von hier bis zur &amp;letzten Nadel</translation>
    </message>
    <message>
        <source>One tempo &amp;through this pin</source>
        <translation type="unfinished">Ein Tempo &amp;durch diese Nadel</translation>
    </message>
    <message>
        <source>Loop range</source>
        <translation type="unfinished">Schleifenbereich</translation>
    </message>
    <message>
        <source>Loop range from %1 to %2</source>
        <translation type="unfinished">Schleifenbereich von %1 bis %2</translation>
    </message>
    <message>
        <source>The loop range repeats</source>
        <translation type="unfinished">Der Schleifenbereich wiederholt sich</translation>
    </message>
    <message>
        <source>Plays through the loop range</source>
        <translation type="unfinished">Spielt durch den Schleifenbereich hindurch</translation>
    </message>
    <message>
        <source>Click on</source>
        <translation type="unfinished">Klick an</translation>
    </message>
    <message>
        <source>Click off</source>
        <translation type="unfinished">Klick aus</translation>
    </message>
    <message>
        <source>Counts in 1 bar before playing</source>
        <translation type="unfinished">Zählt vor dem Abspielen 1 Takt vor</translation>
    </message>
    <message>
        <source>Plays without a count-in</source>
        <translation type="unfinished">Spielt ohne Vorzählen</translation>
    </message>
    <message>
        <source>To section &amp;%1</source>
        <translation type="unfinished">Zu Abschnitt &amp;%1</translation>
    </message>
    <message>
        <source>To section &amp;%1 at once</source>
        <translation type="unfinished">Zu Abschnitt &amp;%1 sofort</translation>
    </message>
    <message>
        <source>&amp;Play</source>
        <translation type="unfinished">Ab&amp;spielen</translation>
    </message>
    <message>
        <source>&amp;Play or stop</source>
        <translation type="unfinished">&amp;Abspielen oder anhalten</translation>
    </message>
    <message>
        <source>Back to the &amp;beginning</source>
        <translation type="unfinished">Zurück zum A&amp;nfang</translation>
    </message>
    <message>
        <source>&amp;Loop the range</source>
        <translation type="unfinished">Bereich als &amp;Schleife</translation>
    </message>
    <message>
        <source>Set the loop range around the &amp;selection</source>
        <translation type="unfinished">Schleifenbereich um die Aus&amp;wahl legen</translation>
    </message>
    <message>
        <source>&amp;Audition the selected file</source>
        <translation type="unfinished">Ausgewählte &amp;Datei vorhören</translation>
    </message>
    <message>
        <source>Compa&amp;re (A|B)</source>
        <translation type="unfinished">&amp;Vergleichen (A|B)</translation>
    </message>
    <message>
        <source>&amp;Click</source>
        <translation type="unfinished">&amp;Klick</translation>
    </message>
    <message>
        <source>Count &amp;in before playing</source>
        <translation type="unfinished">Vor dem Abspielen vor&amp;zählen</translation>
    </message>
    <message>
        <source>To a sec&amp;tion</source>
        <translation type="unfinished">Zu einem A&amp;bschnitt</translation>
    </message>
    <message>
        <source>To a section at &amp;once</source>
        <translation type="unfinished">Sof&amp;ort zu einem Abschnitt</translation>
    </message>
    <message>
        <source>Reconnect the sound &amp;device</source>
        <translation type="unfinished">Soundgerät ne&amp;u verbinden</translation>
    </message>
    <message>
        <source>No hit was measured yet.</source>
        <translation type="unfinished">Noch wurde kein Schlag gemessen.</translation>
    </message>
    <message>
        <source>No hit is off by more than %1 ms.</source>
        <translation type="unfinished">Kein Schlag liegt um mehr als %1 ms daneben.</translation>
    </message>
    <message>
        <source>Tolerance</source>
        <translation type="unfinished">Toleranz</translation>
    </message>
    <message>
        <source>Up to how many milliseconds off does a hit count as in time?</source>
        <translation type="unfinished">Bis zu wie vielen Millisekunden daneben zählt ein Schlag als im Takt?</translation>
    </message>
    <message>
        <source>Hits up to %1 ms off count as in time</source>
        <translation type="unfinished">Schläge bis %1 ms daneben zählen als im Takt</translation>
    </message>
    <message>
        <source>Proo&amp;f</source>
        <translation type="unfinished">&amp;Nachweis</translation>
    </message>
    <message>
        <source>Pro&amp;ve all clips</source>
        <translation type="unfinished">Alle Clips na&amp;chweisen</translation>
    </message>
    <message>
        <source>Go to the hit &amp;farthest off</source>
        <translation type="unfinished">Zum Schlag, der am &amp;weitesten danebenliegt</translation>
    </message>
    <message>
        <source>Go to the &amp;next hit that is off</source>
        <translation type="unfinished">Zum &amp;nächsten Schlag, der danebenliegt</translation>
    </message>
    <message>
        <source>Set the &amp;tolerance…</source>
        <translation type="unfinished">&amp;Toleranz setzen…</translation>
    </message>
    <message>
        <source>1 clip</source>
        <translation type="unfinished">1 Clip</translation>
    </message>
    <message>
        <source>%1 clips</source>
        <translation type="unfinished">%1 Clips</translation>
    </message>
    <message>
        <source>1 clip selected</source>
        <translation type="unfinished">1 Clip ausgewählt</translation>
    </message>
    <message>
        <source>%1 clips selected</source>
        <translation type="unfinished">%1 Clips ausgewählt</translation>
    </message>
    <message>
        <source>Other counting</source>
        <translation type="unfinished">Andere Zählung</translation>
    </message>
    <message>
        <source>%1: %2 → %3 BPM</source>
        <translation type="unfinished">%1: %2 → %3 BPM</translation>
    </message>
    <message>
        <source>&amp;Source</source>
        <translation type="unfinished">&amp;Quelle</translation>
    </message>
    <message>
        <source>&amp;Half tempo</source>
        <translation type="unfinished">&amp;Halbes Tempo</translation>
    </message>
    <message>
        <source>&amp;Double tempo</source>
        <translation type="unfinished">&amp;Doppeltes Tempo</translation>
    </message>
    <message>
        <source>&amp;Round the tempo</source>
        <translation type="unfinished">Tempo &amp;runden</translation>
    </message>
    <message>
        <source>Ta&amp;p the source&apos;s tempo</source>
        <translation type="unfinished">Tempo der Quelle t&amp;ippen</translation>
    </message>
    <message>
        <source>&amp;Other counting</source>
        <translation type="unfinished">Andere &amp;Zählung</translation>
    </message>
    <message>
        <source>Count &amp;dotted beats (×1½)</source>
        <translation type="unfinished">&amp;Punktierte Zählzeiten zählen (×1½)</translation>
    </message>
    <message>
        <source>Count &amp;plain beats (×⅔)</source>
        <translation type="unfinished">&amp;Einfache Zählzeiten zählen (×⅔)</translation>
    </message>
    <message>
        <source>Play the recording &amp;alone</source>
        <translation type="unfinished">Aufnahme &amp;allein abspielen</translation>
    </message>
    <message>
        <source>&amp;Follow the project&apos;s tempo</source>
        <translation type="unfinished">Dem Tempo des Projekts &amp;folgen</translation>
    </message>
    <message>
        <source>&amp;Listen again</source>
        <translation type="unfinished">Noch einmal &amp;hinhören</translation>
    </message>
    <message>
        <source>&amp;Set</source>
        <translation type="unfinished">&amp;Satz</translation>
    </message>
    <message>
        <source>&amp;Make a set of the selected</source>
        <translation type="unfinished">Aus den ausgewählten einen &amp;Satz machen</translation>
    </message>
    <message>
        <source>&amp;Dissolve the set</source>
        <translation type="unfinished">Satz &amp;auflösen</translation>
    </message>
    <message>
        <source>Select &amp;all of the set</source>
        <translation type="unfinished">Alles aus dem Satz aus&amp;wählen</translation>
    </message>
    <message>
        <source>F&amp;orget the settled tempo</source>
        <translation type="unfinished">Festgelegtes Tempo &amp;vergessen</translation>
    </message>
    <message>
        <source>&amp;Write tempo as a tag…</source>
        <translation type="unfinished">Tempo als &amp;Tag schreiben…</translation>
    </message>
    <message>
        <source>Select a point in the tempo lane first.</source>
        <translation type="unfinished">Zuerst einen Punkt in der Tempoleiste auswählen.</translation>
    </message>
    <message>
        <source>Tempo point</source>
        <translation type="unfinished">Tempopunkt</translation>
    </message>
    <message>
        <source>The tempo holds from here</source>
        <translation type="unfinished">Das Tempo gilt von hier an</translation>
    </message>
    <message>
        <source>The tempo glides to the next</source>
        <translation type="unfinished">Das Tempo gleitet zum nächsten</translation>
    </message>
    <message>
        <source>Follow the tempo</source>
        <translation type="unfinished">Dem Tempo folgen</translation>
    </message>
    <message>
        <source>Stop following</source>
        <translation type="unfinished">Nicht mehr folgen</translation>
    </message>
    <message>
        <source>Clips fill their beats at every tempo</source>
        <translation type="unfinished">Clips füllen ihre Zählzeiten bei jedem Tempo</translation>
    </message>
    <message>
        <source>Clips stay as long as they are now, at every tempo</source>
        <translation type="unfinished">Clips bleiben bei jedem Tempo so lang, wie sie jetzt sind</translation>
    </message>
    <message>
        <source>The project&apos;s time rule is %1</source>
        <translation type="unfinished">Die Zeitregel des Projekts ist %1</translation>
    </message>
    <message>
        <source>Te&amp;mpo</source>
        <translation type="unfinished">Te&amp;mpo</translation>
    </message>
    <message>
        <source>T&amp;ype the project tempo</source>
        <translation type="unfinished">Tempo des Projekts &amp;eingeben</translation>
    </message>
    <message>
        <source>&amp;Tap the project tempo</source>
        <translation type="unfinished">Tempo des Projekts &amp;tippen</translation>
    </message>
    <message>
        <source>Set the tempo where sources &amp;meet</source>
        <translation type="unfinished">Tempo setzen, in dem die Quellen sich tre&amp;ffen</translation>
    </message>
    <message>
        <source>Tempo &amp;point here…</source>
        <translation type="unfinished">Tempo&amp;punkt hier…</translation>
    </message>
    <message>
        <source>&amp;Hold the tempo from here</source>
        <translation type="unfinished">Tempo von hier an &amp;halten</translation>
    </message>
    <message>
        <source>&amp;Glide to the next point</source>
        <translation type="unfinished">Zum nächsten Punkt &amp;gleiten</translation>
    </message>
    <message>
        <source>&amp;Scale the tempo map…</source>
        <translation type="unfinished">Tempokarte &amp;skalieren…</translation>
    </message>
    <message>
        <source>S&amp;ection here…</source>
        <translation type="unfinished">A&amp;bschnitt hier…</translation>
    </message>
    <message>
        <source>Metre or &amp;key here…</source>
        <translation type="unfinished">Taktart oder Tona&amp;rt hier…</translation>
    </message>
    <message>
        <source>Clips &amp;follow the tempo</source>
        <translation type="unfinished">Clips &amp;folgen dem Tempo</translation>
    </message>
    <message>
        <source>Time rule of the p&amp;roject</source>
        <translation type="unfinished">Zeit&amp;regel des Projekts</translation>
    </message>
    <message>
        <source>track %1</source>
        <translation type="unfinished">Spur %1</translation>
    </message>
    <message>
        <source>New track</source>
        <translation type="unfinished">Neue Spur</translation>
    </message>
    <message>
        <source>%1 added</source>
        <translation type="unfinished">%1 hinzugefügt</translation>
    </message>
    <message>
        <source>Duplicate track</source>
        <translation type="unfinished">Spur verdoppeln</translation>
    </message>
    <message>
        <source>%1: duplicated, with its clips</source>
        <translation type="unfinished">%1: verdoppelt, mit ihren Clips</translation>
    </message>
    <message>
        <source>Remove track</source>
        <translation type="unfinished">Spur entfernen</translation>
    </message>
    <message>
        <source>removed</source>
        <translation type="unfinished">entfernt</translation>
    </message>
    <message>
        <source>Move track</source>
        <translation type="unfinished">Spur verschieben</translation>
    </message>
    <message>
        <source>moved up</source>
        <translation type="unfinished">nach oben gerückt</translation>
    </message>
    <message>
        <source>moved down</source>
        <translation type="unfinished">nach unten gerückt</translation>
    </message>
    <message>
        <source>Solo</source>
        <translation type="unfinished">Solo</translation>
    </message>
    <message>
        <source>solo</source>
        <translation type="unfinished">solo</translation>
    </message>
    <message>
        <source>solo off</source>
        <translation type="unfinished">Solo aus</translation>
    </message>
    <message>
        <source>the project&apos;s time rule</source>
        <translation type="unfinished">Zeitregel des Projekts</translation>
    </message>
    <message>
        <source>As the &amp;project says</source>
        <translation type="unfinished">Wie das &amp;Projekt sagt</translation>
    </message>
    <message>
        <source>T&amp;rack</source>
        <translation type="unfinished">S&amp;pur</translation>
    </message>
    <message>
        <source>&amp;New track</source>
        <translation type="unfinished">&amp;Neue Spur</translation>
    </message>
    <message>
        <source>&amp;Rename…</source>
        <translation type="unfinished">&amp;Umbenennen…</translation>
    </message>
    <message>
        <source>&amp;Duplicate</source>
        <translation type="unfinished">&amp;Verdoppeln</translation>
    </message>
    <message>
        <source>Remo&amp;ve</source>
        <translation type="unfinished">&amp;Entfernen</translation>
    </message>
    <message>
        <source>Move &amp;up</source>
        <translation type="unfinished">Nach &amp;oben</translation>
    </message>
    <message>
        <source>Move do&amp;wn</source>
        <translation type="unfinished">Nach un&amp;ten</translation>
    </message>
    <message>
        <source>&amp;Solo</source>
        <translation type="unfinished">&amp;Solo</translation>
    </message>
    <message>
        <source>All tracks &amp;lower</source>
        <translation type="unfinished">Alle Spuren n&amp;iedriger</translation>
    </message>
    <message>
        <source>All tracks &amp;higher</source>
        <translation type="unfinished">Alle Spuren &amp;höher</translation>
    </message>
    <message>
        <source>Select a clip or a source: the Bench opens with it.</source>
        <translation type="unfinished">Einen Clip oder eine Quelle auswählen: damit öffnet sich die Werkbank.</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation type="unfinished">&amp;Ansicht</translation>
    </message>
    <message>
        <source>Page B&amp;ars</source>
        <translation type="unfinished">Seite &amp;Takte</translation>
    </message>
    <message>
        <source>Page So&amp;urces</source>
        <translation type="unfinished">Seite &amp;Quellen</translation>
    </message>
    <message>
        <source>Page S&amp;train</source>
        <translation type="unfinished">Seite &amp;Belastung</translation>
    </message>
    <message>
        <source>Zoom &amp;in</source>
        <translation type="unfinished">&amp;Vergrößern</translation>
    </message>
    <message>
        <source>Zoom &amp;out</source>
        <translation type="unfinished">Ver&amp;kleinern</translation>
    </message>
    <message>
        <source>Sho&amp;w all</source>
        <translation type="unfinished">&amp;Alles zeigen</translation>
    </message>
    <message>
        <source>Show the s&amp;election</source>
        <translation type="unfinished">Aus&amp;wahl zeigen</translation>
    </message>
    <message>
        <source>&amp;Follow the play position</source>
        <translation type="unfinished">Der Abspielposition &amp;folgen</translation>
    </message>
    <message>
        <source>Search the li&amp;brary</source>
        <translation type="unfinished">Bibliothek durchs&amp;uchen</translation>
    </message>
    <message>
        <source>Filter the libra&amp;ry</source>
        <translation type="unfinished">Bibliothek filte&amp;rn</translation>
    </message>
    <message>
        <source>&amp;Lanes over the bars</source>
        <translation type="unfinished">&amp;Leisten über den Takten</translation>
    </message>
    <message>
        <source>&amp;Shelf</source>
        <translation type="unfinished">Re&amp;gal</translation>
    </message>
    <message>
        <source>Be&amp;nch</source>
        <translation type="unfinished">Werkba&amp;nk</translation>
    </message>
    <message>
        <source>By la&amp;mplight</source>
        <translation type="unfinished">Bei La&amp;mpenlicht</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation type="unfinished">&amp;Hilfe</translation>
    </message>
    <message>
        <source>&amp;First steps</source>
        <translation type="unfinished">&amp;Erste Schritte</translation>
    </message>
    <message>
        <source>&amp;Words</source>
        <translation type="unfinished">&amp;Wörter</translation>
    </message>
    <message>
        <source>&amp;Keys</source>
        <translation type="unfinished">&amp;Tasten</translation>
    </message>
    <message>
        <source>&amp;About Patient Metre</source>
        <translation type="unfinished">&amp;Über Patient Metre</translation>
    </message>
    <message>
        <source>Rarer f&amp;igures and feel</source>
        <translation type="unfinished">Seltenere An&amp;gaben und Feel</translation>
    </message>
    <message>
        <source>Tighten new clips</source>
        <translation type="unfinished">Neue Clips straffen</translation>
    </message>
    <message>
        <source>new clips are tightened by %1 %</source>
        <translation type="unfinished">neue Clips werden um %1 % gestrafft</translation>
    </message>
    <message>
        <source>new clips come as they were played</source>
        <translation type="unfinished">neue Clips kommen, wie sie gespielt wurden</translation>
    </message>
    <message>
        <source>Tighten new clips like this &amp;one</source>
        <translation type="unfinished">Neue Clips wie diesen stra&amp;ffen</translation>
    </message>
    <message>
        <source>&amp;Guide</source>
        <translation type="unfinished">&amp;Anleitung</translation>
    </message>
    <message>
        <source>Ed&amp;ges</source>
        <translation type="unfinished">&amp;Kanten</translation>
    </message>
    <message>
        <source>&amp;Begin earlier</source>
        <translation type="unfinished">&amp;Früher beginnen</translation>
    </message>
    <message>
        <source>Begin &amp;later</source>
        <translation type="unfinished">S&amp;päter beginnen</translation>
    </message>
    <message>
        <source>&amp;End earlier</source>
        <translation type="unfinished">Früher &amp;enden</translation>
    </message>
    <message>
        <source>End la&amp;ter</source>
        <translation type="unfinished">Später en&amp;den</translation>
    </message>
    <message>
        <source>In blac&amp;k ink</source>
        <translation type="unfinished">In schwar&amp;zer Tinte</translation>
    </message>
    <message>
        <source>Loo&amp;k</source>
        <translation type="unfinished">Aus&amp;sehen</translation>
    </message>
    <message>
        <source>&amp;First mark here</source>
        <translation type="unfinished">&amp;Erste Marke hier</translation>
    </message>
    <message>
        <source>&amp;Second mark here</source>
        <translation type="unfinished">&amp;Zweite Marke hier</translation>
    </message>
    <message>
        <source>The project goes by itself</source>
        <translation type="unfinished">Das Projekt läuft von selbst</translation>
    </message>
    <message>
        <source>L&amp;ed by</source>
        <translation type="unfinished">Geführt &amp;von</translation>
    </message>
    <message>
        <source>The &amp;project itself</source>
        <translation type="unfinished">Das &amp;Projekt selbst</translation>
    </message>
    <message>
        <source>&amp;JACK: its place and its tempo</source>
        <translation type="unfinished">&amp;JACK: Ort und Tempo</translation>
    </message>
    <message>
        <source>J&amp;ACK, at the project&apos;s tempo</source>
        <translation type="unfinished">J&amp;ACK, im Tempo des Projekts</translation>
    </message>
    <message>
        <source>&amp;MIDI clock</source>
        <translation type="unfinished">&amp;MIDI-Clock</translation>
    </message>
    <message>
        <source>&amp;Take the tempo of MIDI</source>
        <translation type="unfinished">&amp;Tempo von MIDI übernehmen</translation>
    </message>
</context>
<context>
    <name>app::Audition</name>
    <message>
        <source>%1 is not there.</source>
        <translation type="unfinished">%1 ist nicht da.</translation>
    </message>
</context>
<context>
    <name>app::AuditionPanel</name>
    <message>
        <source>In tempo</source>
        <translation type="unfinished">Im Tempo</translation>
    </message>
    <message>
        <source>Fitted to the project&apos;s tempo; else as it was recorded</source>
        <translation type="unfinished">Ins Tempo des Projekts eingepasst; sonst wie aufgenommen</translation>
    </message>
    <message>
        <source>Repeat</source>
        <translation type="unfinished">Wiederholen</translation>
    </message>
    <message>
        <source>Auto</source>
        <translation type="unfinished">Auto</translation>
    </message>
    <message>
        <source>In key</source>
        <translation type="unfinished">In Tonart</translation>
    </message>
    <message>
        <source>In the project&apos;s key as well, where both keys are known</source>
        <translation type="unfinished">Auch in der Tonart des Projekts, wo beide bekannt sind</translation>
    </message>
    <message>
        <source>Level of the audition</source>
        <translation type="unfinished">Pegel des Vorhörens</translation>
    </message>
    <message>
        <source> · being read</source>
        <translation type="unfinished"> · wird gelesen</translation>
    </message>
    <message>
        <source>being read</source>
        <translation type="unfinished">wird gelesen</translation>
    </message>
    <message>
        <source>Audition the selected file, or stop (A)</source>
        <translation type="unfinished">Ausgewählte Datei vorhören oder anhalten (A)</translation>
    </message>
    <message>
        <source>Repeats until another file is selected</source>
        <translation type="unfinished">Wiederholt, bis eine andere Datei ausgewählt wird</translation>
    </message>
    <message>
        <source>Plays a file as soon as it is selected</source>
        <translation type="unfinished">Spielt eine Datei, sobald sie ausgewählt ist</translation>
    </message>
    <message>
        <source>Start at once</source>
        <translation type="unfinished">Sofort beginnen</translation>
    </message>
    <message>
        <source>While the project plays: does not wait for the next bar line</source>
        <translation type="unfinished">Während das Projekt spielt: wartet nicht auf den nächsten Taktstrich</translation>
    </message>
    <message>
        <source>No file selected</source>
        <translation type="unfinished">Keine Datei ausgewählt</translation>
    </message>
    <message>
        <source>Select a file to hear it.</source>
        <translation type="unfinished">Eine Datei auswählen, um sie zu hören.</translation>
    </message>
</context>
<context>
    <name>app::AuditionWave</name>
    <message>
        <source>Waveform of the selected file</source>
        <translation type="unfinished">Wellenform der ausgewählten Datei</translation>
    </message>
    <message>
        <source>Press: the audition goes on from there (Left and Right: a second)</source>
        <translation type="unfinished">Drücken: das Vorhören geht von dort weiter (Links und Rechts: eine Sekunde)</translation>
    </message>
    <message>
        <source>Place in the file</source>
        <translation type="unfinished">Stelle in der Datei</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished">%1 s</translation>
    </message>
</context>
<context>
    <name>app::Autosave</name>
    <message>
        <source>The autosave failed, and is tried again. %1</source>
        <translation type="unfinished">Das automatische Speichern misslang und wird wieder versucht. %1</translation>
    </message>
</context>
<context>
    <name>app::BarsView</name>
    <message>
        <source> · Enter takes it, Esc takes it back</source>
        <translation type="unfinished"> · Eingabe übernimmt, Esc nimmt zurück</translation>
    </message>
    <message>
        <source>Tempo from %1 on, in BPM</source>
        <translation type="unfinished">Tempo ab %1, in BPM</translation>
    </message>
    <message>
        <source>Tempo point</source>
        <translation type="unfinished">Tempopunkt</translation>
    </message>
    <message>
        <source>Tempo %1 BPM from %2 on</source>
        <translation type="unfinished">Tempo %1 BPM ab %2</translation>
    </message>
    <message>
        <source>By how much the range&apos;s tempo changes: −6, +2.5 or 110 %</source>
        <translation type="unfinished">Um wie viel sich das Tempo des Bereichs ändert: −6, +2.5 oder 110 %</translation>
    </message>
    <message>
        <source>By how much the tempo of all of it changes: −6, +2.5 or 110 %</source>
        <translation type="unfinished">Um wie viel sich das ganze Tempo ändert: −6, +2.5 oder 110 %</translation>
    </message>
    <message>
        <source>“%1” is neither a number of BPM, such as −6, nor a percentage, such as 110 %.</source>
        <translation type="unfinished">„%1“ ist weder eine Zahl in BPM wie −6 noch ein Prozentsatz wie 110 %.</translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished">Tempo</translation>
    </message>
    <message>
        <source>The tempo is %1 % of what it was</source>
        <translation type="unfinished">Das Tempo ist %1 % des vorigen</translation>
    </message>
    <message>
        <source>The tempo is %1 BPM %2</source>
        <translation type="unfinished">Das Tempo ist %1 BPM %2</translation>
    </message>
    <message>
        <source>slower</source>
        <translation type="unfinished">langsamer</translation>
    </message>
    <message>
        <source>faster</source>
        <translation type="unfinished">schneller</translation>
    </message>
    <message>
        <source>section %1</source>
        <translation type="unfinished">Abschnitt %1</translation>
    </message>
    <message>
        <source>Name of the section at %1</source>
        <translation type="unfinished">Name des Abschnitts bei %1</translation>
    </message>
    <message>
        <source>Section</source>
        <translation type="unfinished">Abschnitt</translation>
    </message>
    <message>
        <source>Metre and key from bar %1 on, such as 3/4, D minor, or 3/4 D minor; “no key” ends the key</source>
        <translation type="unfinished">Taktart und Tonart ab Takt %1, etwa 3/4, D minor oder 3/4 D minor; „keine Tonart“ beendet die Tonart</translation>
    </message>
    <message>
        <source>no key</source>
        <translation type="unfinished">keine Tonart</translation>
    </message>
    <message>
        <source>“%1” is neither a metre, such as 3/4, nor a key, such as D minor.</source>
        <translation type="unfinished">„%1“ ist weder eine Taktart wie 3/4 noch eine Tonart wie D minor.</translation>
    </message>
    <message>
        <source>Metre and key</source>
        <translation type="unfinished">Taktart und Tonart</translation>
    </message>
    <message>
        <source>From bar %1 on: %2</source>
        <translation type="unfinished">Ab Takt %1: %2</translation>
    </message>
    <message>
        <source>Name of the track</source>
        <translation type="unfinished">Name der Spur</translation>
    </message>
    <message>
        <source>Rename track</source>
        <translation type="unfinished">Spur umbenennen</translation>
    </message>
    <message>
        <source>Delete tempo point</source>
        <translation type="unfinished">Tempopunkt löschen</translation>
    </message>
    <message>
        <source>Delete section</source>
        <translation type="unfinished">Abschnitt löschen</translation>
    </message>
    <message>
        <source>Delete change</source>
        <translation type="unfinished">Wechsel löschen</translation>
    </message>
    <message>
        <source>Nothing changes at bar %1.</source>
        <translation type="unfinished">In Takt %1 wechselt nichts.</translation>
    </message>
    <message>
        <source>new track</source>
        <translation type="unfinished">neue Spur</translation>
    </message>
    <message>
        <source>%1   %2 files one after the other</source>
        <translation type="unfinished">%1   %2 Dateien nacheinander</translation>
    </message>
    <message>
        <source>%1   %2 files, each on a track of its own</source>
        <translation type="unfinished">%1   %2 Dateien, jede auf eigener Spur</translation>
    </message>
    <message>
        <source>Place</source>
        <translation type="unfinished">Setzen</translation>
    </message>
    <message>
        <source>%1 is not a file on this machine.</source>
        <translation type="unfinished">%1 ist keine Datei auf diesem Rechner.</translation>
    </message>
    <message>
        <source>Right edge of %1</source>
        <translation type="unfinished">Rechte Kante von %1</translation>
    </message>
    <message>
        <source>Left edge of %1</source>
        <translation type="unfinished">Linke Kante von %1</translation>
    </message>
    <message>
        <source>repeat</source>
        <translation type="unfinished">wiederholen</translation>
    </message>
    <message>
        <source>trim</source>
        <translation type="unfinished">beschneiden</translation>
    </message>
    <message>
        <source>stretch</source>
        <translation type="unfinished">dehnen</translation>
    </message>
    <message>
        <source>Upper third repeats, middle trims, lower third stretches.</source>
        <translation type="unfinished">Oberes Drittel wiederholt, mittleres beschneidet, unteres dehnt.</translation>
    </message>
    <message>
        <source>Above it trims, in the lower third it stretches.</source>
        <translation type="unfinished">Oben beschneidet, im unteren Drittel dehnt.</translation>
    </message>
    <message>
        <source>Drag to fade in</source>
        <translation type="unfinished">Ziehen blendet ein</translation>
    </message>
    <message>
        <source>Drag to fade out</source>
        <translation type="unfinished">Ziehen blendet aus</translation>
    </message>
    <message>
        <source>Drag to move, with Ctrl to copy, with Alt free of the grid</source>
        <translation type="unfinished">Ziehen verschiebt, mit Strg kopiert, mit Alt frei vom Raster</translation>
    </message>
    <message>
        <source>Double click makes a point · drag selects a range</source>
        <translation type="unfinished">Doppelklick macht einen Punkt · Ziehen wählt einen Bereich</translation>
    </message>
    <message>
        <source>Click: play goes there at the next bar line, with Shift at once · drag moves it</source>
        <translation type="unfinished">Klick: das Abspielen geht beim nächsten Taktstrich dorthin, mit Umschalt sofort · Ziehen verschiebt</translation>
    </message>
    <message>
        <source>Double click makes a section</source>
        <translation type="unfinished">Doppelklick macht einen Abschnitt</translation>
    </message>
    <message>
        <source>Double click changes metre or key from that bar on</source>
        <translation type="unfinished">Doppelklick ändert Taktart oder Tonart ab diesem Takt</translation>
    </message>
    <message>
        <source>Mute</source>
        <translation type="unfinished">Stumm</translation>
    </message>
    <message>
        <source>Solo</source>
        <translation type="unfinished">Solo</translation>
    </message>
    <message>
        <source>Gain of the track in dB</source>
        <translation type="unfinished">Pegel der Spur in dB</translation>
    </message>
    <message>
        <source>Track gain</source>
        <translation type="unfinished">Pegel der Spur</translation>
    </message>
    <message>
        <source>“%1” is not a gain in decibels.</source>
        <translation type="unfinished">„%1“ ist kein Pegel in Dezibel.</translation>
    </message>
    <message>
        <source>Pan of the track, −100 left to 100 right</source>
        <translation type="unfinished">Panorama der Spur, −100 links bis 100 rechts</translation>
    </message>
    <message>
        <source>Pan</source>
        <translation type="unfinished">Panorama</translation>
    </message>
    <message>
        <source>“%1” is not a place between −100 (left) and 100 (right).</source>
        <translation type="unfinished">„%1“ ist keine Stelle zwischen −100 (links) und 100 (rechts).</translation>
    </message>
    <message>
        <source>Tempo %1 BPM</source>
        <translation type="unfinished">Tempo %1 BPM</translation>
    </message>
    <message>
        <source>%1 BPM over the range</source>
        <translation type="unfinished">%1 BPM über den Bereich</translation>
    </message>
    <message>
        <source>Bars: tracks and clips</source>
        <translation type="unfinished">Takte: Spuren und Clips</translation>
    </message>
    <message>
        <source>Nothing is selected.</source>
        <translation type="unfinished">Nichts ist ausgewählt.</translation>
    </message>
    <message>
        <source>Move clip</source>
        <translation type="unfinished">Clip verschieben</translation>
    </message>
    <message>
        <source>Moved to %1</source>
        <translation type="unfinished">Verschoben nach %1</translation>
    </message>
    <message>
        <source>locked</source>
        <translation type="unfinished">gesperrt</translation>
    </message>
    <message>
        <source>The whole piece: click or drag to look elsewhere.</source>
        <translation type="unfinished">Das ganze Stück: Klicken oder Ziehen zeigt eine andere Stelle.</translation>
    </message>
    <message>
        <source>Click: play from here. Drag: loop range.</source>
        <translation type="unfinished">Klick: von hier spielen. Ziehen: Schleifenbereich.</translation>
    </message>
    <message>
        <source>Not all files can be imported</source>
        <translation type="unfinished">Nicht alle Dateien können importiert werden</translation>
    </message>
    <message>
        <source>The loop was not ready yet: drag the clip out again.</source>
        <translation type="unfinished">Der Loop war noch nicht fertig: den Clip noch einmal hinausziehen.</translation>
    </message>
    <message>
        <source>%1 exported</source>
        <translation type="unfinished">%1 ausgegeben</translation>
    </message>
    <message>
        <source>%1 loops exported</source>
        <translation type="unfinished">%1 Loops ausgegeben</translation>
    </message>
    <message>
        <source>Drag: place and tempo · wheel: tempo · double click: type the tempo</source>
        <translation type="unfinished">Ziehen: Ort und Tempo · Rad: Tempo · Doppelklick: Tempo eingeben</translation>
    </message>
    <message>
        <source>Move section</source>
        <translation type="unfinished">Abschnitt verschieben</translation>
    </message>
    <message>
        <source>Trim</source>
        <translation type="unfinished">Beschneiden</translation>
    </message>
    <message>
        <source>Begins at %1</source>
        <translation type="unfinished">Beginnt bei %1</translation>
    </message>
    <message>
        <source>Ends at %1</source>
        <translation type="unfinished">Endet bei %1</translation>
    </message>
    <message>
        <source>Play position</source>
        <translation type="unfinished">Abspielposition</translation>
    </message>
    <message>
        <source>Sections</source>
        <translation type="unfinished">Abschnitte</translation>
    </message>
    <message>
        <source>section %1, %2</source>
        <translation type="unfinished">Abschnitt %1, %2</translation>
    </message>
    <message>
        <source>Play from here</source>
        <translation type="unfinished">Von hier spielen</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation type="unfinished">Umbenennen</translation>
    </message>
    <message>
        <source>tempo from %1 on</source>
        <translation type="unfinished">Tempo ab %1</translation>
    </message>
    <message>
        <source>%1 BPM</source>
        <translation type="unfinished">%1 BPM</translation>
    </message>
    <message>
        <source>Type</source>
        <translation type="unfinished">Eingeben</translation>
    </message>
    <message>
        <source>from %1 on: %2</source>
        <translation type="unfinished">ab %1: %2</translation>
    </message>
    <message>
        <source>track %1, %2</source>
        <translation type="unfinished">Spur %1, %2</translation>
    </message>
    <message>
        <source>1 clip</source>
        <translation type="unfinished">1 Clip</translation>
    </message>
    <message>
        <source>%1 clips</source>
        <translation type="unfinished">%1 Clips</translation>
    </message>
    <message>
        <source>time rule %1</source>
        <translation type="unfinished">Zeitregel %1</translation>
    </message>
    <message>
        <source>mute track %1</source>
        <translation type="unfinished">Spur %1 stumm schalten</translation>
    </message>
    <message>
        <source>hear track %1 alone</source>
        <translation type="unfinished">Spur %1 allein hören</translation>
    </message>
    <message>
        <source>gain of track %1</source>
        <translation type="unfinished">Pegel der Spur %1</translation>
    </message>
    <message>
        <source>%1 dB</source>
        <translation type="unfinished">%1 dB</translation>
    </message>
    <message>
        <source>pan of track %1</source>
        <translation type="unfinished">Panorama der Spur %1</translation>
    </message>
    <message>
        <source>muted</source>
        <translation type="unfinished">stumm</translation>
    </message>
    <message>
        <source>Open in the Bench</source>
        <translation type="unfinished">In der Werkbank öffnen</translation>
    </message>
    <message>
        <source>Select as well</source>
        <translation type="unfinished">Dazu auswählen</translation>
    </message>
    <message>
        <source>Menu</source>
        <translation type="unfinished">Menü</translation>
    </message>
    <message>
        <source>beginning of %1</source>
        <translation type="unfinished">Anfang von %1</translation>
    </message>
    <message>
        <source>end of %1</source>
        <translation type="unfinished">Ende von %1</translation>
    </message>
    <message>
        <source>fade in of %1</source>
        <translation type="unfinished">Einblendung von %1</translation>
    </message>
    <message>
        <source>fade out of %1</source>
        <translation type="unfinished">Ausblendung von %1</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished">%1 s</translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation type="unfinished">Einblenden</translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation type="unfinished">Ausblenden</translation>
    </message>
</context>
<context>
    <name>app::Bench</name>
    <message>
        <source>Bench</source>
        <translation type="unfinished">Werkbank</translation>
    </message>
    <message>
        <source>Click: fold the Bench, or open it (B)</source>
        <translation type="unfinished">Klick: Werkbank einklappen oder öffnen (B)</translation>
    </message>
    <message>
        <source>Scrolls both rails</source>
        <translation type="unfinished">Rollt beide Schienen</translation>
    </message>
    <message>
        <source>Card: settings of the selection</source>
        <translation type="unfinished">Karte: Einstellungen der Auswahl</translation>
    </message>
    <message>
        <source>Marks</source>
        <translation type="unfinished">Marken</translation>
    </message>
    <message>
        <source>The click is moved; the source stays as it is until it is used.</source>
        <translation type="unfinished">Der Klick ist verschoben; die Quelle bleibt, wie sie ist, bis er benutzt wird.</translation>
    </message>
    <message>
        <source> (%1)</source>
        <translation type="unfinished"> (%1)</translation>
    </message>
    <message>
        <source>Select a clip or a source to work on it here.</source>
        <translation type="unfinished">Einen Clip oder eine Quelle auswählen, um hier daran zu arbeiten.</translation>
    </message>
    <message>
        <source>mono</source>
        <translation type="unfinished">mono</translation>
    </message>
    <message>
        <source>stereo</source>
        <translation type="unfinished">stereo</translation>
    </message>
    <message>
        <source>More</source>
        <translation type="unfinished">Mehr</translation>
    </message>
    <message>
        <source>The rarer figures of the recording, and what can be done about its beats</source>
        <translation type="unfinished">Die selteneren Angaben der Aufnahme, und was sich mit ihren Zählzeiten tun lässt</translation>
    </message>
    <message>
        <source>Rarer figures of the recording</source>
        <translation type="unfinished">Seltenere Angaben der Aufnahme</translation>
    </message>
    <message>
        <source>quarters</source>
        <translation type="unfinished">Viertel</translation>
    </message>
    <message>
        <source>eighths</source>
        <translation type="unfinished">Achtel</translation>
    </message>
    <message>
        <source>triplets</source>
        <translation type="unfinished">Triolen</translation>
    </message>
    <message>
        <source>sixteenths</source>
        <translation type="unfinished">Sechzehntel</translation>
    </message>
    <message>
        <source>Lines of the grid in the lower rail</source>
        <translation type="unfinished">Rasterlinien auf der unteren Schiene</translation>
    </message>
    <message>
        <source>B opens the Bench</source>
        <translation type="unfinished">B öffnet die Werkbank</translation>
    </message>
    <message>
        <source>B folds the Bench</source>
        <translation type="unfinished">B klappt die Werkbank ein</translation>
    </message>
    <message>
        <source>Nothing selected</source>
        <translation type="unfinished">Nichts ausgewählt</translation>
    </message>
    <message>
        <source>, no beat found</source>
        <translation type="unfinished">, kein Schlag gefunden</translation>
    </message>
    <message>
        <source>%1 clips of %2 selected</source>
        <translation type="unfinished">%1 Clips von %2 ausgewählt</translation>
    </message>
    <message>
        <source>1 recording</source>
        <translation type="unfinished">1 Aufnahme</translation>
    </message>
    <message>
        <source>%1 recordings</source>
        <translation type="unfinished">%1 Aufnahmen</translation>
    </message>
    <message>
        <source>As recorded</source>
        <translation type="unfinished">Wie aufgenommen</translation>
    </message>
    <message>
        <source>As recorded above · as it would lie from bar 1 below</source>
        <translation type="unfinished">Wie aufgenommen oben · wie es ab Takt 1 läge unten</translation>
    </message>
    <message>
        <source>As recorded above · the grid that follows it below</source>
        <translation type="unfinished">Wie aufgenommen oben · das Raster, das ihm folgt, unten</translation>
    </message>
    <message>
        <source>As recorded above · as it is placed below</source>
        <translation type="unfinished">Wie aufgenommen oben · wie es gesetzt ist unten</translation>
    </message>
    <message>
        <source>As recorded above · on the grid below</source>
        <translation type="unfinished">Wie aufgenommen oben · auf dem Raster unten</translation>
    </message>
    <message>
        <source>%1 kHz %2</source>
        <translation type="unfinished">%1 kHz %2</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished">%1 s</translation>
    </message>
    <message>
        <source>1 beat</source>
        <translation type="unfinished">1 Zählzeit</translation>
    </message>
    <message>
        <source>%1 beats</source>
        <translation type="unfinished">%1 Zählzeiten</translation>
    </message>
    <message>
        <source>first downbeat %1 s</source>
        <translation type="unfinished">erste Eins %1 s</translation>
    </message>
    <message>
        <source>played free</source>
        <translation type="unfinished">frei gespielt</translation>
    </message>
    <message>
        <source>set of %1</source>
        <translation type="unfinished">Satz aus %1</translation>
    </message>
    <message>
        <source>all %1 clips</source>
        <translation type="unfinished">alle %1 Clips</translation>
    </message>
</context>
<context>
    <name>app::ByEar</name>
    <message>
        <source>Click</source>
        <translation type="unfinished">Klick</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation type="unfinished">Schleife</translation>
    </message>
    <message>
        <source>Tempo of the click</source>
        <translation type="unfinished">Tempo des Klicks</translation>
    </message>
    <message>
        <source>Tempo of the click, to be tried by ear: the project is left alone until it is used. Wheel: ±0.1, with Shift ±0.01. In the rails: Up and Down, with Ctrl ±1, with both half and double.</source>
        <translation type="unfinished">Tempo des Klicks, nach Gehör zu probieren: das Projekt bleibt unberührt, bis es benutzt wird. Rad: ±0.1, mit Umschalt ±0.01. Auf den Schienen: Auf und Ab, mit Strg ±1, mit beiden halb und doppelt.</translation>
    </message>
    <message>
        <source>Use</source>
        <translation type="unfinished">Benutzen</translation>
    </message>
    <message>
        <source>Back</source>
        <translation type="unfinished">Zurück</translation>
    </message>
    <message>
        <source>The click goes back to the source&apos;s own beats</source>
        <translation type="unfinished">Der Klick geht zurück zu den eigenen Zählzeiten der Quelle</translation>
    </message>
    <message>
        <source>%1 as recorded</source>
        <translation type="unfinished">%1 wie aufgenommen</translation>
    </message>
    <message>
        <source>Tempo by ear</source>
        <translation type="unfinished">Tempo nach Gehör</translation>
    </message>
    <message>
        <source>%1 is %2 BPM, by ear</source>
        <translation type="unfinished">%1 hat %2 BPM, nach Gehör</translation>
    </message>
    <message>
        <source>%1 taps; from the fourth on they count.</source>
        <translation type="unfinished">%1-mal getippt; ab dem vierten Mal zählt es.</translation>
    </message>
    <message>
        <source>Tap tempo</source>
        <translation type="unfinished">Tempo tippen</translation>
    </message>
    <message>
        <source>%1 tapped: %2 BPM · %3. Pick it among the readings to use it.</source>
        <translation type="unfinished">%1 getippt: %2 BPM · %3. Unter den Lesungen wählen, um es zu benutzen.</translation>
    </message>
    <message>
        <source>Play alone</source>
        <translation type="unfinished">Allein spielen</translation>
    </message>
    <message>
        <source>Plays the recording alone, unstretched, from the brass line (Shift+Space)</source>
        <translation type="unfinished">Spielt die Aufnahme allein, ungedehnt, ab der Messinglinie (Umschalt+Leertaste)</translation>
    </message>
    <message>
        <source>A click on the recording&apos;s beats while it plays alone</source>
        <translation type="unfinished">Ein Klick auf den Zählzeiten der Aufnahme, während sie allein spielt</translation>
    </message>
    <message>
        <source>Loops between the marks, which can be dragged meanwhile</source>
        <translation type="unfinished">Schleife zwischen den Marken, die währenddessen gezogen werden können</translation>
    </message>
    <message>
        <source>Set the source to the click&apos;s tempo and beats</source>
        <translation type="unfinished">Der Quelle Tempo und Zählzeiten des Klicks geben</translation>
    </message>
</context>
<context>
    <name>app::Card</name>
    <message>
        <source>Method</source>
        <translation type="unfinished">Verfahren</translation>
    </message>
    <message>
        <source>Transpose, in semitones</source>
        <translation type="unfinished">Transponieren, in Halbtönen</translation>
    </message>
    <message>
        <source>Up or down by semitones; with Shift, by cents. 1.5, 1 st 50 ct or 150 ct can be typed.</source>
        <translation type="unfinished">Um Halbtöne auf oder ab; mit Umschalt um Cent. 1.5, 1 st 50 ct oder 150 ct können getippt werden.</translation>
    </message>
    <message>
        <source>Gain of the clip</source>
        <translation type="unfinished">Pegel des Clips</translation>
    </message>
    <message>
        <source>Gain in decibels</source>
        <translation type="unfinished">Pegel in Dezibel</translation>
    </message>
    <message>
        <source>Transpose</source>
        <translation type="unfinished">Transponieren</translation>
    </message>
    <message>
        <source>Keep formants</source>
        <translation type="unfinished">Formanten halten</translation>
    </message>
    <message>
        <source>A voice that is transposed keeps its colour; not on Tape</source>
        <translation type="unfinished">Eine transponierte Stimme behält ihre Farbe; nicht bei Tape</translation>
    </message>
    <message>
        <source>Formants</source>
        <translation type="unfinished">Formanten</translation>
    </message>
    <message>
        <source>Gain</source>
        <translation type="unfinished">Pegel</translation>
    </message>
    <message>
        <source>Strain</source>
        <translation type="unfinished">Belastung</translation>
    </message>
    <message>
        <source>“%1” is not a gain in decibels.</source>
        <translation type="unfinished">„%1“ ist kein Pegel in Dezibel.</translation>
    </message>
    <message>
        <source>“%1” is not a number of semitones between −24 and 24.</source>
        <translation type="unfinished">„%1“ ist keine Zahl von Halbtönen zwischen −24 und 24.</translation>
    </message>
    <message>
        <source>mixed</source>
        <translation type="unfinished">gemischt</translation>
    </message>
    <message>
        <source>Several methods</source>
        <translation type="unfinished">Mehrere Verfahren</translation>
    </message>
    <message>
        <source>“%1” is not %2.</source>
        <translation type="unfinished">„%1“ ist nicht %2.</translation>
    </message>
    <message>
        <source>Time rule</source>
        <translation type="unfinished">Zeitregel</translation>
    </message>
    <message>
        <source>Sensitivity of onsets</source>
        <translation type="unfinished">Empfindlichkeit für Einsätze</translation>
    </message>
    <message>
        <source>Which onsets cut slices: 0 % the strongest only, 100 % all</source>
        <translation type="unfinished">Welche Einsätze schneiden: 0 % nur die stärksten, 100 % alle</translation>
    </message>
    <message>
        <source>Sensitivity</source>
        <translation type="unfinished">Empfindlichkeit</translation>
    </message>
    <message>
        <source>a percentage</source>
        <translation type="unfinished">ein Prozentsatz</translation>
    </message>
    <message>
        <source>Onsets</source>
        <translation type="unfinished">Einsätze</translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished">Tonart</translation>
    </message>
    <message>
        <source>Follows the project&apos;s key, by the shorter way; struck sounds never do</source>
        <translation type="unfinished">Folgt der Tonart des Projekts auf dem kürzeren Weg; Geschlagenes nie</translation>
    </message>
    <message>
        <source>Follow the key</source>
        <translation type="unfinished">Der Tonart folgen</translation>
    </message>
    <message>
        <source>Relatives</source>
        <translation type="unfinished">Parallele</translation>
    </message>
    <message>
        <source>Also from minor into the relative of a major key, and back</source>
        <translation type="unfinished">Auch von Moll in die Paralleltonart in Dur, und zurück</translation>
    </message>
    <message>
        <source>Relative keys</source>
        <translation type="unfinished">Paralleltonarten</translation>
    </message>
    <message>
        <source>Follows</source>
        <translation type="unfinished">Folgt</translation>
    </message>
    <message>
        <source>Its level as recorded</source>
        <translation type="unfinished">Sein Pegel wie aufgenommen</translation>
    </message>
    <message>
        <source>Peak</source>
        <translation type="unfinished">Spitze</translation>
    </message>
    <message>
        <source>True peak to −1 dBTP</source>
        <translation type="unfinished">Wahre Spitze auf −1 dBTP</translation>
    </message>
    <message>
        <source>Integrated loudness to −16 LUFS (EBU R 128)</source>
        <translation type="unfinished">Mittlere Lautheit auf −16 LUFS (EBU R 128)</translation>
    </message>
    <message>
        <source>Normalise</source>
        <translation type="unfinished">Normalisieren</translation>
    </message>
    <message>
        <source>Noise</source>
        <translation type="unfinished">Rauschen</translation>
    </message>
    <message>
        <source>Channels</source>
        <translation type="unfinished">Kanäle</translation>
    </message>
    <message>
        <source>L</source>
        <translation type="unfinished">L</translation>
    </message>
    <message>
        <source>R</source>
        <translation type="unfinished">R</translation>
    </message>
    <message>
        <source>Flip phase</source>
        <translation type="unfinished">Phase drehen</translation>
    </message>
    <message>
        <source>Fade in, in seconds</source>
        <translation type="unfinished">Einblenden, in Sekunden</translation>
    </message>
    <message>
        <source>Fade in, in seconds; wheel: 0.05 s</source>
        <translation type="unfinished">Einblenden, in Sekunden; Rad: 0.05 s</translation>
    </message>
    <message>
        <source>Fade out, in seconds</source>
        <translation type="unfinished">Ausblenden, in Sekunden</translation>
    </message>
    <message>
        <source>Fade out, in seconds; wheel: 0.05 s</source>
        <translation type="unfinished">Ausblenden, in Sekunden; Rad: 0.05 s</translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation type="unfinished">Einblenden</translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation type="unfinished">Ausblenden</translation>
    </message>
    <message>
        <source>a length in seconds</source>
        <translation type="unfinished">eine Länge in Sekunden</translation>
    </message>
    <message>
        <source>Repeats</source>
        <translation type="unfinished">Runden</translation>
    </message>
    <message>
        <source>a number of repeats</source>
        <translation type="unfinished">eine Anzahl von Runden</translation>
    </message>
    <message>
        <source>a beat</source>
        <translation type="unfinished">eine Zählzeit</translation>
    </message>
    <message>
        <source>to</source>
        <translation type="unfinished">bis</translation>
    </message>
    <message>
        <source>Offset</source>
        <translation type="unfinished">Versatz</translation>
    </message>
    <message>
        <source>Name of the clip</source>
        <translation type="unfinished">Name des Clips</translation>
    </message>
    <message>
        <source>Name; several clips are numbered. Empty: as the source is called</source>
        <translation type="unfinished">Name; mehrere Clips werden nummeriert. Leer: wie die Quelle heißt</translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>Lock</source>
        <translation type="unfinished">Sperren</translation>
    </message>
    <message>
        <source>Unlock</source>
        <translation type="unfinished">Entsperren</translation>
    </message>
    <message>
        <source>Mute</source>
        <translation type="unfinished">Stumm</translation>
    </message>
    <message>
        <source>· from several places</source>
        <translation type="unfinished">· von mehreren Stellen</translation>
    </message>
    <message>
        <source>· %1, not following</source>
        <translation type="unfinished">· %1, folgt nicht</translation>
    </message>
    <message>
        <source>as its source</source>
        <translation type="unfinished">wie seine Quelle</translation>
    </message>
    <message>
        <source>More</source>
        <translation type="unfinished">Mehr</translation>
    </message>
    <message>
        <source>The rarer settings of the selected clips</source>
        <translation type="unfinished">Die selteneren Einstellungen der ausgewählten Clips</translation>
    </message>
    <message>
        <source>Counts as</source>
        <translation type="unfinished">Zählt als</translation>
    </message>
    <message>
        <source>Bars</source>
        <translation type="unfinished">Takte</translation>
    </message>
    <message>
        <source>Begins</source>
        <translation type="unfinished">Beginnt</translation>
    </message>
    <message>
        <source>Fades, s</source>
        <translation type="unfinished">Blenden, s</translation>
    </message>
    <message>
        <source>Counts as, in BPM</source>
        <translation type="unfinished">Zählt als, in BPM</translation>
    </message>
    <message>
        <source>The tempo that the selected clips alone count as. Wheel: ±1, with Shift ±0.1. Empty: their recording&apos;s own.</source>
        <translation type="unfinished">Das Tempo, als das nur die ausgewählten Clips zählen. Rad: ±1, mit Umschalt ±0.1. Leer: das eigene ihrer Aufnahme.</translation>
    </message>
    <message>
        <source>Bars filled</source>
        <translation type="unfinished">Gefüllte Takte</translation>
    </message>
    <message>
        <source>How many bars each selected clip fills; of what loops, one turn. Wheel: ±1. Whole bars can be typed (F).</source>
        <translation type="unfinished">Wie viele Takte jeder ausgewählte Clip füllt; bei dem, was im Kreis läuft, eine Runde. Rad: ±1. Ganze Takte können getippt werden (F).</translation>
    </message>
    <message>
        <source>Begins at bar, beat and part</source>
        <translation type="unfinished">Beginnt bei Takt, Zählzeit und Teil</translation>
    </message>
    <message>
        <source>Where the first of the selected clips begins: bar · beat · part. Wheel: a beat, with Shift a sixteenth.</source>
        <translation type="unfinished">Wo der erste der ausgewählten Clips beginnt: Takt · Zählzeit · Teil. Rad: eine Zählzeit, mit Umschalt ein Sechzehntel.</translation>
    </message>
    <message>
        <source>Offset, in beats of the recording</source>
        <translation type="unfinished">Versatz, in Zählzeiten der Aufnahme</translation>
    </message>
    <message>
        <source>Which beat of the recording the clip begins with; the clip stays where it is</source>
        <translation type="unfinished">Mit welcher Zählzeit der Aufnahme der Clip beginnt; der Clip bleibt, wo er ist</translation>
    </message>
    <message>
        <source>How many times the clip plays</source>
        <translation type="unfinished">Wie oft der Clip spielt</translation>
    </message>
    <message>
        <source>“%1” is not a whole number of bars.</source>
        <translation type="unfinished">„%1“ ist keine ganze Zahl von Takten.</translation>
    </message>
    <message>
        <source>Fit to bars</source>
        <translation type="unfinished">In Takte einpassen</translation>
    </message>
    <message>
        <source>Move</source>
        <translation type="unfinished">Verschieben</translation>
    </message>
    <message>
        <source>locked · %1</source>
        <translation type="unfinished">gesperrt · %1</translation>
    </message>
    <message>
        <source>for all %1</source>
        <translation type="unfinished">für alle %1</translation>
    </message>
    <message>
        <source>Make this the tempo of the recording</source>
        <translation type="unfinished">Dies zum Tempo der Aufnahme machen</translation>
    </message>
    <message>
        <source>Make this the tempo of the recording, for all its %1 clips</source>
        <translation type="unfinished">Dies zum Tempo der Aufnahme machen, für alle ihre %1 Clips</translation>
    </message>
    <message>
        <source>Make these the tempos of the recordings, for all their clips</source>
        <translation type="unfinished">Diese zu den Tempos der Aufnahmen machen, für alle ihre Clips</translation>
    </message>
    <message>
        <source>By how much of its length the clip is stretched where it begins: %1 % of its length, %2 BPM</source>
        <translation type="unfinished">Um wie viel seiner Länge der Clip gedehnt wird, wo er beginnt: %1 % seiner Länge, %2 BPM</translation>
    </message>
    <message>
        <source>Voice</source>
        <translation type="unfinished">Stimme</translation>
    </message>
    <message>
        <source>Off</source>
        <translation type="unfinished">Aus</translation>
    </message>
    <message>
        <source>Loudness</source>
        <translation type="unfinished">Lautheit</translation>
    </message>
    <message>
        <source>Reduce noise</source>
        <translation type="unfinished">Rauschen mindern</translation>
    </message>
    <message>
        <source>Turns steady noise under the recording down, gently</source>
        <translation type="unfinished">Dreht gleichmäßiges Rauschen unter der Aufnahme sanft herunter</translation>
    </message>
    <message>
        <source>Invert the left channel</source>
        <translation type="unfinished">Linken Kanal umkehren</translation>
    </message>
    <message>
        <source>Invert the right channel</source>
        <translation type="unfinished">Rechten Kanal umkehren</translation>
    </message>
    <message>
        <source>Loop from this beat of the recording</source>
        <translation type="unfinished">Schleife ab dieser Zählzeit der Aufnahme</translation>
    </message>
    <message>
        <source>The loop begins at this beat of the recording</source>
        <translation type="unfinished">Die Schleife beginnt bei dieser Zählzeit der Aufnahme</translation>
    </message>
    <message>
        <source>Loop up to this beat of the recording</source>
        <translation type="unfinished">Schleife bis zu dieser Zählzeit der Aufnahme</translation>
    </message>
    <message>
        <source>The loop ends at this beat of the recording</source>
        <translation type="unfinished">Die Schleife endet bei dieser Zählzeit der Aufnahme</translation>
    </message>
    <message>
        <source>Loop from</source>
        <translation type="unfinished">Schleife ab</translation>
    </message>
    <message>
        <source>Loop to</source>
        <translation type="unfinished">Schleife bis</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation type="unfinished">Schleife</translation>
    </message>
    <message>
        <source>Lock the clip: edits change nothing (Ctrl+K)</source>
        <translation type="unfinished">Clip sperren: Änderungen bewirken nichts (Strg+K)</translation>
    </message>
    <message>
        <source>Mute the clip (M)</source>
        <translation type="unfinished">Clip stumm schalten (M)</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation type="unfinished">Farbe</translation>
    </message>
    <message>
        <source>Change colour</source>
        <translation type="unfinished">Farbe ändern</translation>
    </message>
    <message>
        <source>for all</source>
        <translation type="unfinished">für alle</translation>
    </message>
    <message>
        <source>Tighten</source>
        <translation type="unfinished">Straffen</translation>
    </message>
    <message>
        <source>Feel</source>
        <translation type="unfinished">Feel</translation>
    </message>
</context>
<context>
    <name>app::Clipboard</name>
    <message>
        <source>Nothing is selected.</source>
        <translation type="unfinished">Nichts ist ausgewählt.</translation>
    </message>
    <message>
        <source>One clip copied</source>
        <translation type="unfinished">Ein Clip kopiert</translation>
    </message>
    <message>
        <source>%1 clips copied</source>
        <translation type="unfinished">%1 Clips kopiert</translation>
    </message>
    <message>
        <source>Cut</source>
        <translation type="unfinished">Ausschneiden</translation>
    </message>
    <message>
        <source>One clip cut</source>
        <translation type="unfinished">Ein Clip ausgeschnitten</translation>
    </message>
    <message>
        <source>%1 clips cut</source>
        <translation type="unfinished">%1 Clips ausgeschnitten</translation>
    </message>
    <message>
        <source>Paste</source>
        <translation type="unfinished">Einfügen</translation>
    </message>
    <message>
        <source>Pasted at %1</source>
        <translation type="unfinished">Eingefügt bei %1</translation>
    </message>
</context>
<context>
    <name>app::CompareRow</name>
    <message>
        <source>Compare with</source>
        <translation type="unfinished">Vergleichen mit</translation>
    </message>
    <message>
        <source>What the selected clips are compared with</source>
        <translation type="unfinished">Womit die ausgewählten Clips verglichen werden</translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation type="unfinished">wie aufgenommen</translation>
    </message>
    <message>
        <source>Compare: the other, as loud as the clip (X)</source>
        <translation type="unfinished">Vergleichen: das andere, so laut wie der Clip (X)</translation>
    </message>
    <message>
        <source>Hearing the clip as it is set</source>
        <translation type="unfinished">Zu hören ist der Clip, wie er eingestellt ist</translation>
    </message>
    <message>
        <source>%1 is heard once it is rendered</source>
        <translation type="unfinished">%1 ist zu hören, sobald es gerechnet ist</translation>
    </message>
    <message>
        <source>Hearing %1, by %2 dB to be as loud</source>
        <translation type="unfinished">Zu hören ist %1, um %2 dB angeglichen</translation>
    </message>
</context>
<context>
    <name>app::DeliverList</name>
    <message>
        <source>Files that will be written</source>
        <translation type="unfinished">Dateien, die geschrieben werden</translation>
    </message>
    <message>
        <source>File</source>
        <translation type="unfinished">Datei</translation>
    </message>
    <message>
        <source>Size</source>
        <translation type="unfinished">Größe</translation>
    </message>
    <message>
        <source>is there already</source>
        <translation type="unfinished">ist schon da</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation type="unfinished">und %1 weitere</translation>
    </message>
    <message>
        <source>waits</source>
        <translation type="unfinished">wartet</translation>
    </message>
    <message>
        <source>written</source>
        <translation type="unfinished">geschrieben</translation>
    </message>
    <message>
        <source>not written</source>
        <translation type="unfinished">nicht geschrieben</translation>
    </message>
</context>
<context>
    <name>app::DeliverSheet</name>
    <message>
        <source>Deliver</source>
        <translation type="unfinished">Ausliefern</translation>
    </message>
    <message>
        <source>Replace the files that are there already</source>
        <translation type="unfinished">Dateien ersetzen, die schon da sind</translation>
    </message>
    <message>
        <source>Write these files</source>
        <translation type="unfinished">Diese Dateien schreiben</translation>
    </message>
    <message>
        <source>Close</source>
        <translation type="unfinished">Schließen</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation type="unfinished">Ordner</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation type="unfinished">Wählen…</translation>
    </message>
    <message>
        <source>Choose the folder</source>
        <translation type="unfinished">Ordner wählen</translation>
    </message>
    <message>
        <source>Name pattern of the loops</source>
        <translation type="unfinished">Namensmuster der Loops</translation>
    </message>
    <message>
        <source>{name}, {bpm}, {key}, {track}, {beats} and {number} are filled in.</source>
        <translation type="unfinished">{name}, {bpm}, {key}, {track}, {beats} und {number} werden eingesetzt.</translation>
    </message>
    <message>
        <source>Format</source>
        <translation type="unfinished">Format</translation>
    </message>
    <message>
        <source>Bits</source>
        <translation type="unfinished">Bits</translation>
    </message>
    <message>
        <source>24 bit</source>
        <translation type="unfinished">24 Bit</translation>
    </message>
    <message>
        <source>16 bit, dithered</source>
        <translation type="unfinished">16 Bit, gedithert</translation>
    </message>
    <message>
        <source>32 bit float</source>
        <translation type="unfinished">32 Bit Gleitkomma</translation>
    </message>
    <message>
        <source>Quality</source>
        <translation type="unfinished">Qualität</translation>
    </message>
    <message>
        <source>quality 0, smallest</source>
        <translation type="unfinished">Qualität 0, am kleinsten</translation>
    </message>
    <message>
        <source>quality 10, best</source>
        <translation type="unfinished">Qualität 10, am besten</translation>
    </message>
    <message>
        <source>quality %1</source>
        <translation type="unfinished">Qualität %1</translation>
    </message>
    <message>
        <source>Sample rate</source>
        <translation type="unfinished">Abtastrate</translation>
    </message>
    <message>
        <source>as the project</source>
        <translation type="unfinished">wie das Projekt</translation>
    </message>
    <message>
        <source>Level</source>
        <translation type="unfinished">Pegel</translation>
    </message>
    <message>
        <source>as it is</source>
        <translation type="unfinished">wie er ist</translation>
    </message>
    <message>
        <source>no higher than −1 dBTP</source>
        <translation type="unfinished">nicht höher als −1 dBTP</translation>
    </message>
    <message>
        <source>peak to −1 dBTP</source>
        <translation type="unfinished">Spitze auf −1 dBTP</translation>
    </message>
    <message>
        <source>loudness to −16 LUFS</source>
        <translation type="unfinished">Lautheit auf −16 LUFS</translation>
    </message>
    <message>
        <source>True peak and loudness as EBU R 128 measures them. Mix and stems get one gain, so that the stems still add up to the mix.</source>
        <translation type="unfinished">Wahre Spitze und Lautheit, wie EBU R 128 sie misst. Mischung und Stems bekommen denselben Pegel, damit die Stems zusammen noch die Mischung ergeben.</translation>
    </message>
    <message>
        <source>Tempo, key, beats and place written into the files</source>
        <translation type="unfinished">Tempo, Tonart, Zählzeiten und Ort in die Dateien geschrieben</translation>
    </message>
    <message>
        <source>Names</source>
        <translation type="unfinished">Namen</translation>
    </message>
    <message>
        <source>Folder for what is delivered</source>
        <translation type="unfinished">Ordner für das Ausgelieferte</translation>
    </message>
    <message>
        <source>From bar</source>
        <translation type="unfinished">Ab Takt</translation>
    </message>
    <message>
        <source>To the end of bar</source>
        <translation type="unfinished">Bis zum Ende von Takt</translation>
    </message>
    <message>
        <source>Tail in seconds</source>
        <translation type="unfinished">Ausklang in Sekunden</translation>
    </message>
    <message>
        <source>bars</source>
        <translation type="unfinished">Takte</translation>
    </message>
    <message>
        <source>to</source>
        <translation type="unfinished">bis</translation>
    </message>
    <message>
        <source>and a tail of</source>
        <translation type="unfinished">und ein Ausklang von</translation>
    </message>
    <message>
        <source>Stems, mix</source>
        <translation type="unfinished">Stems, Mischung</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation type="unfinished">%1 s</translation>
    </message>
    <message>
        <source>1 file · %1</source>
        <translation type="unfinished">1 Datei · %1</translation>
    </message>
    <message>
        <source>%1 files · %2</source>
        <translation type="unfinished">%1 Dateien · %2</translation>
    </message>
    <message>
        <source>Tick what is to be delivered.</source>
        <translation type="unfinished">Ankreuzen, was ausgeliefert werden soll.</translation>
    </message>
    <message>
        <source>Some of these names are taken. Tick the box to replace those files, or choose another folder or pattern.</source>
        <translation type="unfinished">Einige dieser Namen sind vergeben. Ankreuzen, um diese Dateien zu ersetzen, oder einen anderen Ordner oder ein anderes Muster wählen.</translation>
    </message>
    <message>
        <source>Deliver %1 files</source>
        <translation type="unfinished">%1 Dateien ausliefern</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation type="unfinished">Abbrechen</translation>
    </message>
    <message>
        <source>Delivered</source>
        <translation type="unfinished">Ausgeliefert</translation>
    </message>
    <message>
        <source>“%1” is not a bar number.</source>
        <translation type="unfinished">„%1“ ist keine Taktnummer.</translation>
    </message>
    <message>
        <source>“%1” is not a number of seconds.</source>
        <translation type="unfinished">„%1“ ist keine Zahl von Sekunden.</translation>
    </message>
    <message>
        <source>Choose a folder.</source>
        <translation type="unfinished">Einen Ordner wählen.</translation>
    </message>
    <message>
        <source>%1 cannot hold %2 kHz: written at %3 kHz.</source>
        <translation type="unfinished">%1 fasst keine %2 kHz: geschrieben mit %3 kHz.</translation>
    </message>
</context>
<context>
    <name>app::Delivery</name>
    <message>
        <source>Delivering</source>
        <translation type="unfinished">Wird ausgeliefert</translation>
    </message>
    <message>
        <source>Delivering %1 files</source>
        <translation type="unfinished">%1 Dateien werden ausgeliefert</translation>
    </message>
    <message>
        <source>%1 of %2 files written to %3</source>
        <translation type="unfinished">%1 von %2 Dateien nach %3 geschrieben</translation>
    </message>
    <message>
        <source>Delivery cancelled · </source>
        <translation type="unfinished">Ausliefern abgebrochen · </translation>
    </message>
    <message>
        <source> · one sample was above full scale and was cut</source>
        <translation type="unfinished"> · ein Sample lag über Vollaussteuerung und wurde gekappt</translation>
    </message>
    <message>
        <source> · %1 samples were above full scale and were cut</source>
        <translation type="unfinished"> · %1 Samples lagen über Vollaussteuerung und wurden gekappt</translation>
    </message>
    <message>
        <source>Exporting</source>
        <translation type="unfinished">Wird ausgegeben</translation>
    </message>
    <message>
        <source>Not everything could be exported</source>
        <translation type="unfinished">Nicht alles konnte ausgegeben werden</translation>
    </message>
    <message>
        <source>%1 is in the library already.</source>
        <translation type="unfinished">%1 ist schon in der Bibliothek.</translation>
    </message>
    <message>
        <source>Not everything was added to the library</source>
        <translation type="unfinished">Nicht alles wurde zur Bibliothek hinzugefügt</translation>
    </message>
    <message>
        <source>Adding to the library</source>
        <translation type="unfinished">Wird zur Bibliothek hinzugefügt</translation>
    </message>
    <message>
        <source>One loop added to the library: a right click there gives it tags</source>
        <translation type="unfinished">Ein Loop zur Bibliothek hinzugefügt: ein Rechtsklick dort gibt ihm Tags</translation>
    </message>
    <message>
        <source>%1 loops added to the library: a right click there gives them tags</source>
        <translation type="unfinished">%1 Loops zur Bibliothek hinzugefügt: ein Rechtsklick dort gibt ihnen Tags</translation>
    </message>
    <message>
        <source>None of these has a tempo to write.</source>
        <translation type="unfinished">Keine von diesen hat ein Tempo, das zu schreiben wäre.</translation>
    </message>
    <message>
        <source>Writing tempos into files</source>
        <translation type="unfinished">Tempos werden in Dateien geschrieben</translation>
    </message>
    <message>
        <source>Some tempos were not written</source>
        <translation type="unfinished">Einige Tempos wurden nicht geschrieben</translation>
    </message>
    <message>
        <source>Written into files that have other names</source>
        <translation type="unfinished">In Dateien geschrieben, die andere Namen haben</translation>
    </message>
    <message>
        <source>The tempo was written into one file; its audio is unchanged.</source>
        <translation type="unfinished">Das Tempo wurde in eine Datei geschrieben; ihr Ton ist unverändert.</translation>
    </message>
    <message>
        <source>Tempos were written into %1 files; their audio is unchanged.</source>
        <translation type="unfinished">Tempos wurden in %1 Dateien geschrieben; ihr Ton ist unverändert.</translation>
    </message>
</context>
<context>
    <name>app::Device</name>
    <message>
        <source>The sound device has gone (%1): playing silently.</source>
        <translation type="unfinished">Das Soundgerät ist weg (%1): es wird still gespielt.</translation>
    </message>
    <message>
        <source>Looking for a sound device</source>
        <translation type="unfinished">Ein Soundgerät wird gesucht</translation>
    </message>
    <message>
        <source>Playing through %1</source>
        <translation type="unfinished">Spielt über %1</translation>
    </message>
</context>
<context>
    <name>app::Document</name>
    <message>
        <source>What led is gone; the tempo stays as it was.</source>
        <translation type="unfinished">Was führte, ist weg; das Tempo bleibt, wie es war.</translation>
    </message>
    <message>
        <source>Recover</source>
        <translation type="unfinished">Wiederherstellen</translation>
    </message>
    <message>
        <source>The oldest steps can no longer be undone: together they took more than %1 MB.</source>
        <translation type="unfinished">Die ältesten Schritte können nicht mehr rückgängig gemacht werden: zusammen brauchten sie mehr als %1 MB.</translation>
    </message>
    <message>
        <source>Undone: %1</source>
        <translation type="unfinished">Rückgängig: %1</translation>
    </message>
    <message>
        <source>Redone: %1</source>
        <translation type="unfinished">Wiederhergestellt: %1</translation>
    </message>
</context>
<context>
    <name>app::EmptyPage</name>
    <message>
        <source>Ways to begin</source>
        <translation type="unfinished">Wege zu beginnen</translation>
    </message>
    <message>
        <source>Drop loops, samples or stems here</source>
        <translation type="unfinished">Loops, Samples oder Stems hier ablegen</translation>
    </message>
    <message>
        <source>Each gets a track, its first downbeat on a bar line, fitted to the project&apos;s tempo.</source>
        <translation type="unfinished">Jedes bekommt eine Spur, seine erste Eins auf einem Taktstrich, eingepasst ins Tempo des Projekts.</translation>
    </message>
    <message>
        <source>Import files…</source>
        <translation type="unfinished">Dateien importieren…</translation>
    </message>
    <message>
        <source>Ctrl+I</source>
        <translation type="unfinished">Strg+I</translation>
    </message>
    <message>
        <source>Add a folder to the library…</source>
        <translation type="unfinished">Ordner zur Bibliothek hinzufügen…</translation>
    </message>
    <message>
        <source>then found by tempo and key</source>
        <translation type="unfinished">dann nach Tempo und Tonart zu finden</translation>
    </message>
    <message>
        <source>Open the demo</source>
        <translation type="unfinished">Die Demo öffnen</translation>
    </message>
    <message>
        <source>ten recordings, in time at 104</source>
        <translation type="unfinished">zehn Aufnahmen, im Takt bei 104</translation>
    </message>
    <message>
        <source>Recent</source>
        <translation type="unfinished">Zuletzt</translation>
    </message>
</context>
<context>
    <name>app::EntryModel</name>
    <message>
        <source>The file was not there at the last scan.</source>
        <translation type="unfinished">Die Datei war beim letzten Durchsehen nicht da.</translation>
    </message>
</context>
<context>
    <name>app::FeelPlot</name>
    <message>
        <source>Feel</source>
        <translation type="unfinished">Feel</translation>
    </message>
    <message>
        <source>+%1 ms</source>
        <translation type="unfinished">+%1 ms</translation>
    </message>
    <message numerus="yes">
        <source>Beat %1, part %2: %3 ms %4, %n hits</source>
        <translation type="unfinished">
            <numerusform>Zählzeit %1, Teil %2: %3 ms %4, %n Schlag</numerusform>
            <numerusform>Zählzeit %1, Teil %2: %3 ms %4, %n Schläge</numerusform>
        </translation>
    </message>
    <message>
        <source>early</source>
        <translation type="unfinished">früh</translation>
    </message>
    <message>
        <source>late</source>
        <translation type="unfinished">spät</translation>
    </message>
    <message>
        <source>Feel, marked part</source>
        <translation type="unfinished">Feel, markierter Teil</translation>
    </message>
</context>
<context>
    <name>app::Figure</name>
    <message>
        <source>locked: unlock the clip to change it</source>
        <translation type="unfinished">gesperrt: den Clip entsperren, um es zu ändern</translation>
    </message>
    <message>
        <source>locked</source>
        <translation type="unfinished">gesperrt</translation>
    </message>
    <message>
        <source>Type</source>
        <translation type="unfinished">Eingeben</translation>
    </message>
    <message>
        <source>More</source>
        <translation type="unfinished">Mehr</translation>
    </message>
    <message>
        <source>Less</source>
        <translation type="unfinished">Weniger</translation>
    </message>
</context>
<context>
    <name>app::Files</name>
    <message>
        <source>Opening %1</source>
        <translation type="unfinished">%1 wird geöffnet</translation>
    </message>
    <message>
        <source>Opening was cancelled.</source>
        <translation type="unfinished">Öffnen wurde abgebrochen.</translation>
    </message>
    <message>
        <source>The project was not opened</source>
        <translation type="unfinished">Das Projekt wurde nicht geöffnet</translation>
    </message>
    <message>
        <source>%1 opened</source>
        <translation type="unfinished">%1 geöffnet</translation>
    </message>
    <message>
        <source>The project opened, but not all of its audio</source>
        <translation type="unfinished">Das Projekt ist offen, aber nicht alle seine Aufnahmen</translation>
    </message>
    <message>
        <source>Looking for unsaved work</source>
        <translation type="unfinished">Ungespeicherte Arbeit wird gesucht</translation>
    </message>
    <message>
        <source>a project that was never saved</source>
        <translation type="unfinished">ein Projekt, das nie gespeichert wurde</translation>
    </message>
    <message>
        <source>Recovering</source>
        <translation type="unfinished">Wird wiederhergestellt</translation>
    </message>
    <message>
        <source>Recovering was cancelled; it is offered again at the next start.</source>
        <translation type="unfinished">Wiederherstellen wurde abgebrochen; beim nächsten Start wird es wieder angeboten.</translation>
    </message>
    <message>
        <source>The unsaved work is no longer there, or another window has it.</source>
        <translation type="unfinished">Die ungespeicherte Arbeit ist nicht mehr da, oder ein anderes Fenster hat sie.</translation>
    </message>
    <message>
        <source>Recovered. Save the project to keep it.</source>
        <translation type="unfinished">Wiederhergestellt. Das Projekt speichern, um es zu behalten.</translation>
    </message>
    <message>
        <source>Recovered, but not all of its audio</source>
        <translation type="unfinished">Wiederhergestellt, aber nicht alle Aufnahmen</translation>
    </message>
    <message>
        <source>Saving %1</source>
        <translation type="unfinished">%1 wird gespeichert</translation>
    </message>
    <message>
        <source>Saving was cancelled.</source>
        <translation type="unfinished">Speichern wurde abgebrochen.</translation>
    </message>
    <message>
        <source>The project was not saved</source>
        <translation type="unfinished">Das Projekt wurde nicht gespeichert</translation>
    </message>
    <message>
        <source>%1 saved</source>
        <translation type="unfinished">%1 gespeichert</translation>
    </message>
</context>
<context>
    <name>app::FilterStrip</name>
    <message>
        <source>± %1 %</source>
        <translation type="unfinished">± %1 %</translation>
    </message>
    <message>
        <source>Within %1 % of the project&apos;s tempo, of its half or of its double</source>
        <translation type="unfinished">Innerhalb von %1 % des Projekttempos, seiner Hälfte oder seines Doppelten</translation>
    </message>
    <message>
        <source>related key</source>
        <translation type="unfinished">verwandte Tonart</translation>
    </message>
    <message>
        <source>In the project&apos;s key, or in one closely related by the circle of fifths</source>
        <translation type="unfinished">In der Tonart des Projekts oder einer, die im Quintenzirkel nahe liegt</translation>
    </message>
    <message>
        <source>favourites</source>
        <translation type="unfinished">Favoriten</translation>
    </message>
    <message>
        <source>Only favourites</source>
        <translation type="unfinished">Nur Favoriten</translation>
    </message>
    <message>
        <source>This kind of sound</source>
        <translation type="unfinished">Diese Art von Klang</translation>
    </message>
    <message>
        <source>major</source>
        <translation type="unfinished">Dur</translation>
    </message>
    <message>
        <source>In a major key</source>
        <translation type="unfinished">In einer Durtonart</translation>
    </message>
    <message>
        <source>minor</source>
        <translation type="unfinished">Moll</translation>
    </message>
    <message>
        <source>In a minor key</source>
        <translation type="unfinished">In einer Molltonart</translation>
    </message>
    <message>
        <source>no key</source>
        <translation type="unfinished">keine Tonart</translation>
    </message>
    <message>
        <source>Slowest tempo</source>
        <translation type="unfinished">Langsamstes Tempo</translation>
    </message>
    <message>
        <source>any</source>
        <translation type="unfinished">jedes</translation>
    </message>
    <message>
        <source>Fastest tempo</source>
        <translation type="unfinished">Schnellstes Tempo</translation>
    </message>
    <message>
        <source>halves and doubles too</source>
        <translation type="unfinished">auch halb und doppelt</translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished">Tonart</translation>
    </message>
    <message>
        <source>any key</source>
        <translation type="unfinished">jede Tonart</translation>
    </message>
    <message>
        <source>same</source>
        <translation type="unfinished">dieselbe</translation>
    </message>
    <message>
        <source>related</source>
        <translation type="unfinished">verwandt</translation>
    </message>
    <message>
        <source>Shortest, in seconds</source>
        <translation type="unfinished">Kürzeste, in Sekunden</translation>
    </message>
    <message>
        <source>Longest, in seconds</source>
        <translation type="unfinished">Längste, in Sekunden</translation>
    </message>
    <message>
        <source>Order</source>
        <translation type="unfinished">Reihenfolge</translation>
    </message>
    <message>
        <source>by name</source>
        <translation type="unfinished">nach Name</translation>
    </message>
    <message>
        <source>by tempo</source>
        <translation type="unfinished">nach Tempo</translation>
    </message>
    <message>
        <source>by key</source>
        <translation type="unfinished">nach Tonart</translation>
    </message>
    <message>
        <source>by kind</source>
        <translation type="unfinished">nach Art</translation>
    </message>
    <message>
        <source>by length</source>
        <translation type="unfinished">nach Länge</translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished">Tempo</translation>
    </message>
    <message>
        <source>to</source>
        <translation type="unfinished">bis</translation>
    </message>
    <message>
        <source>Seconds</source>
        <translation type="unfinished">Sekunden</translation>
    </message>
    <message>
        <source>One of your own tags</source>
        <translation type="unfinished">Einer der eigenen Tags</translation>
    </message>
    <message>
        <source>Filters of the library</source>
        <translation type="unfinished">Filter der Bibliothek</translation>
    </message>
    <message>
        <source>No key known</source>
        <translation type="unfinished">Keine Tonart bekannt</translation>
    </message>
    <message>
        <source>Filters</source>
        <translation type="unfinished">Filter</translation>
    </message>
    <message>
        <source>All filters, exact limits and the order</source>
        <translation type="unfinished">Alle Filter, genaue Grenzen und die Reihenfolge</translation>
    </message>
    <message>
        <source>Relation to that key</source>
        <translation type="unfinished">Verwandtschaft zu dieser Tonart</translation>
    </message>
    <message>
        <source>best match first</source>
        <translation type="unfinished">Bestes zuerst</translation>
    </message>
    <message>
        <source>only files that are there and whole</source>
        <translation type="unfinished">nur Dateien, die da und ganz sind</translation>
    </message>
</context>
<context>
    <name>app::FoldersPage</name>
    <message>
        <source>Folders</source>
        <translation type="unfinished">Ordner</translation>
    </message>
    <message>
        <source>Only names with…</source>
        <translation type="unfinished">Nur Namen mit…</translation>
    </message>
    <message>
        <source>Order</source>
        <translation type="unfinished">Reihenfolge</translation>
    </message>
    <message>
        <source>name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>tempo</source>
        <translation type="unfinished">Tempo</translation>
    </message>
    <message>
        <source>key</source>
        <translation type="unfinished">Tonart</translation>
    </message>
    <message>
        <source>kind</source>
        <translation type="unfinished">Art</translation>
    </message>
    <message>
        <source>length</source>
        <translation type="unfinished">Länge</translation>
    </message>
    <message>
        <source>Files of the folder</source>
        <translation type="unfinished">Dateien des Ordners</translation>
    </message>
    <message>
        <source>Add folder…</source>
        <translation type="unfinished">Ordner hinzufügen…</translation>
    </message>
    <message>
        <source>A folder of loops and samples, looked through with all that lies in it</source>
        <translation type="unfinished">Ein Ordner mit Loops und Samples, durchgesehen mit allem, was darin liegt</translation>
    </message>
    <message>
        <source>Scan again</source>
        <translation type="unfinished">Neu durchsehen</translation>
    </message>
    <message>
        <source>Take out of the library</source>
        <translation type="unfinished">Aus der Bibliothek nehmen</translation>
    </message>
    <message>
        <source>No folder yet</source>
        <translation type="unfinished">Noch kein Ordner</translation>
    </message>
    <message>
        <source>1 file</source>
        <translation type="unfinished">1 Datei</translation>
    </message>
    <message>
        <source>%1 files</source>
        <translation type="unfinished">%1 Dateien</translation>
    </message>
    <message>
        <source> · %1 to read</source>
        <translation type="unfinished"> · %1 noch zu lesen</translation>
    </message>
    <message>
        <source>Show names containing this</source>
        <translation type="unfinished">Namen zeigen, die dies enthalten</translation>
    </message>
</context>
<context>
    <name>app::HeadStrip</name>
    <message>
        <source>Project tempo</source>
        <translation type="unfinished">Tempo des Projekts</translation>
    </message>
    <message>
        <source>Project tempo in beats a minute. Wheel: ±1, with Shift ±0.1. Double click: type it.</source>
        <translation type="unfinished">Tempo des Projekts in Zählzeiten pro Minute. Rad: ±1, mit Umschalt ±0.1. Doppelklick: eingeben.</translation>
    </message>
    <message>
        <source>What sets the tempo: the project itself, or one recording that everything else follows</source>
        <translation type="unfinished">Was das Tempo bestimmt: das Projekt selbst, oder eine Aufnahme, der alles andere folgt</translation>
    </message>
    <message>
        <source>Led by</source>
        <translation type="unfinished">Geführt von</translation>
    </message>
    <message>
        <source>Metre</source>
        <translation type="unfinished">Taktart</translation>
    </message>
    <message>
        <source>Metre. Wheel: beats in a bar. Double click: type it, such as 3/4.</source>
        <translation type="unfinished">Taktart. Rad: Zählzeiten im Takt. Doppelklick: eingeben, etwa 3/4.</translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished">Tonart</translation>
    </message>
    <message>
        <source>Key of the project. Wheel: by semitones. Double click: type it, such as D minor; “none” ends it.</source>
        <translation type="unfinished">Tonart des Projekts. Rad: um Halbtöne. Doppelklick: eingeben, etwa D minor; „none“ beendet sie.</translation>
    </message>
    <message>
        <source>Output gain</source>
        <translation type="unfinished">Ausgangspegel</translation>
    </message>
    <message>
        <source>Gain of the output: on all that is heard, not on what is delivered.</source>
        <translation type="unfinished">Pegel des Ausgangs: für alles, was zu hören ist, nicht für das Ausgelieferte.</translation>
    </message>
    <message>
        <source>Use</source>
        <translation type="unfinished">Benutzen</translation>
    </message>
    <message>
        <source>Back to the beginning (Home)</source>
        <translation type="unfinished">Zurück zum Anfang (Pos1)</translation>
    </message>
    <message>
        <source>Play or stop (Space)</source>
        <translation type="unfinished">Abspielen oder anhalten (Leertaste)</translation>
    </message>
    <message>
        <source>Stop; again: back to the beginning</source>
        <translation type="unfinished">Anhalten; noch einmal: zurück zum Anfang</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation type="unfinished">Schleife</translation>
    </message>
    <message>
        <source>Repeat the loop range (L)</source>
        <translation type="unfinished">Schleifenbereich wiederholen (L)</translation>
    </message>
    <message>
        <source>Click</source>
        <translation type="unfinished">Klick</translation>
    </message>
    <message>
        <source>Click on every beat (C)</source>
        <translation type="unfinished">Klick auf jede Zählzeit (C)</translation>
    </message>
    <message>
        <source>Click on every beat (C). Wheel: how loud.</source>
        <translation type="unfinished">Klick auf jede Zählzeit (C). Rad: wie laut.</translation>
    </message>
    <message>
        <source>Tap</source>
        <translation type="unfinished">Tippen</translation>
    </message>
    <message>
        <source>Tap the tempo (T)</source>
        <translation type="unfinished">Tempo tippen (T)</translation>
    </message>
    <message>
        <source>Play position</source>
        <translation type="unfinished">Abspielposition</translation>
    </message>
    <message>
        <source>Sources meet at</source>
        <translation type="unfinished">Quellen treffen sich bei</translation>
    </message>
    <message>
        <source>Bar · beat · part</source>
        <translation type="unfinished">Takt · Zählzeit · Teil</translation>
    </message>
    <message>
        <source>Proof</source>
        <translation type="unfinished">Nachweis</translation>
    </message>
    <message>
        <source>none</source>
        <translation type="unfinished">keine</translation>
    </message>
    <message>
        <source>“%1” is not a key. Type one such as D minor, F# or Eb major.</source>
        <translation type="unfinished">„%1“ ist keine Tonart. Etwa D minor, F# oder Eb major eingeben.</translation>
    </message>
    <message>
        <source>“%1” is not a gain in decibels.</source>
        <translation type="unfinished">„%1“ ist kein Pegel in Dezibel.</translation>
    </message>
    <message>
        <source>Click %1 dB</source>
        <translation type="unfinished">Klick %1 dB</translation>
    </message>
    <message>
        <source>Tapped %1 BPM · %2 taps</source>
        <translation type="unfinished">Getippt %1 BPM · %2-mal</translation>
    </message>
    <message>
        <source>Project tempo %1 BPM</source>
        <translation type="unfinished">Tempo des Projekts %1 BPM</translation>
    </message>
    <message>
        <source>Project</source>
        <translation type="unfinished">Projekt</translation>
    </message>
    <message>
        <source>%1 leads: the tempo is its own, and everything follows it</source>
        <translation type="unfinished">%1 führt: das Tempo ist das seine, und alles folgt ihm</translation>
    </message>
    <message>
        <source>no device</source>
        <translation type="unfinished">kein Gerät</translation>
    </message>
    <message>
        <source>The tempo at which all sources together are stretched least: none is stretched yet</source>
        <translation type="unfinished">Das Tempo, bei dem alle Quellen zusammen am wenigsten gedehnt werden: noch ist keine gedehnt</translation>
    </message>
    <message>
        <source>The tempo at which all sources together are stretched least: strained %1 % together there, %2 % now</source>
        <translation type="unfinished">Das Tempo, bei dem alle Quellen zusammen am wenigsten gedehnt werden: dort zusammen um %1 % belastet, jetzt um %2 %</translation>
    </message>
    <message>
        <source>Use the meeting tempo, %1</source>
        <translation type="unfinished">Das Treffpunkt-Tempo benutzen, %1</translation>
    </message>
    <message>
        <source>Use the meeting tempo</source>
        <translation type="unfinished">Treffpunkt-Tempo benutzen</translation>
    </message>
    <message>
        <source>Project tempo %1 BPM: all tempos × %2</source>
        <translation type="unfinished">Tempo des Projekts %1 BPM: alle Tempos × %2</translation>
    </message>
    <message>
        <source>The tempo at which all sources together are stretched least. A recording leads: stop leading first.</source>
        <translation type="unfinished">Das Tempo, bei dem alle Quellen zusammen am wenigsten gedehnt werden. Eine Aufnahme führt: zuerst die Führung beenden.</translation>
    </message>
    <message>
        <source>No beat found in it: the project&apos;s tempo stays.</source>
        <translation type="unfinished">Kein Schlag darin gefunden: das Tempo des Projekts bleibt.</translation>
    </message>
    <message>
        <source>%1 says when the project plays, and where</source>
        <translation type="unfinished">%1 sagt, wann das Projekt spielt und wo</translation>
    </message>
    <message>
        <source>The MIDI clock that comes in has %1 BPM: this menu takes it</source>
        <translation type="unfinished">Die eingehende MIDI-Clock hat %1 BPM: dieses Menü übernimmt es</translation>
    </message>
</context>
<context>
    <name>app::HelpPage</name>
    <message>
        <source>Parts of the help</source>
        <translation type="unfinished">Teile der Hilfe</translation>
    </message>
    <message>
        <source>First steps</source>
        <translation type="unfinished">Erste Schritte</translation>
    </message>
    <message>
        <source>Words</source>
        <translation type="unfinished">Wörter</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation type="unfinished">Tasten</translation>
    </message>
    <message>
        <source>Search the keys</source>
        <translation type="unfinished">Tasten durchsuchen</translation>
    </message>
    <message>
        <source>type what you want to do, or a key</source>
        <translation type="unfinished">tippen, was zu tun ist, oder eine Taste</translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished">Tonart</translation>
    </message>
    <message>
        <source>Close</source>
        <translation type="unfinished">Schließen</translation>
    </message>
    <message>
        <source>Back to the bars (Escape)</source>
        <translation type="unfinished">Zurück zu den Takten (Escape)</translation>
    </message>
    <message>
        <source>Command</source>
        <translation type="unfinished">Befehl</translation>
    </message>
    <message>
        <source>Menu</source>
        <translation type="unfinished">Menü</translation>
    </message>
    <message>
        <source>Guide</source>
        <translation type="unfinished">Anleitung</translation>
    </message>
</context>
<context>
    <name>app::ImportReport</name>
    <message>
        <source>Change readings</source>
        <translation type="unfinished">Lesungen ändern</translation>
    </message>
    <message>
        <source>All readings of all sources, on their page</source>
        <translation type="unfinished">Alle Lesungen aller Quellen, auf ihrer Seite</translation>
    </message>
    <message>
        <source>Close</source>
        <translation type="unfinished">Schließen</translation>
    </message>
    <message>
        <source>Close this message (Escape)</source>
        <translation type="unfinished">Diese Meldung schließen (Escape)</translation>
    </message>
    <message>
        <source>and %1 more, on the page Sources</source>
        <translation type="unfinished">und %1 weitere, auf der Seite Quellen</translation>
    </message>
    <message>
        <source>%1 by %2</source>
        <translation type="unfinished">%1 laut %2</translation>
    </message>
    <message>
        <source>Use this reading instead</source>
        <translation type="unfinished">Stattdessen diese Lesung benutzen</translation>
    </message>
    <message>
        <source>Choose reading</source>
        <translation type="unfinished">Lesung wählen</translation>
    </message>
    <message>
        <source>Half tempo</source>
        <translation type="unfinished">Halbes Tempo</translation>
    </message>
    <message>
        <source>Double tempo</source>
        <translation type="unfinished">Doppeltes Tempo</translation>
    </message>
    <message>
        <source>Half the tempo</source>
        <translation type="unfinished">Halbes Tempo</translation>
    </message>
    <message>
        <source>Twice the tempo</source>
        <translation type="unfinished">Doppeltes Tempo</translation>
    </message>
    <message>
        <source>As recorded</source>
        <translation type="unfinished">Wie aufgenommen</translation>
    </message>
    <message>
        <source>Fit</source>
        <translation type="unfinished">Einpassen</translation>
    </message>
    <message>
        <source>What was imported, file by file</source>
        <translation type="unfinished">Was importiert wurde, Datei für Datei</translation>
    </message>
    <message>
        <source>Shows all lines, or the first three</source>
        <translation type="unfinished">Zeigt alle Zeilen, oder die ersten drei</translation>
    </message>
    <message>
        <source>All %1</source>
        <translation type="unfinished">Alle %1</translation>
    </message>
    <message>
        <source>%1, %2 and %3 more</source>
        <translation type="unfinished">%1, %2 und %3 weitere</translation>
    </message>
    <message>
        <source>%1 and %2</source>
        <translation type="unfinished">%1 und %2</translation>
    </message>
    <message>
        <source>%1: equally long, %2 s. Recorded together?</source>
        <translation type="unfinished">%1: gleich lang, %2 s. Zusammen aufgenommen?</translation>
    </message>
    <message>
        <source>Make a set</source>
        <translation type="unfinished">Einen Satz machen</translation>
    </message>
    <message>
        <source>One beat map, heard on their sum, for all of them; they stay together to the sample</source>
        <translation type="unfinished">Eine Zählzeitkarte, gehört auf ihrer Summe, für alle; sie bleiben auf das Sample beieinander</translation>
    </message>
    <message>
        <source>undone</source>
        <translation type="unfinished">rückgängig gemacht</translation>
    </message>
    <message>
        <source>Let this source lead</source>
        <translation type="unfinished">Diese Quelle führen lassen</translation>
    </message>
    <message>
        <source>The project takes the tempo of this source, which plays as recorded</source>
        <translation type="unfinished">Das Projekt übernimmt das Tempo dieser Quelle, die wie aufgenommen spielt</translation>
    </message>
    <message>
        <source>Keep the source&apos;s own tempo and pitch</source>
        <translation type="unfinished">Eigenes Tempo und eigene Tonhöhe der Quelle behalten</translation>
    </message>
    <message>
        <source>Stretch the source to the project&apos;s tempo</source>
        <translation type="unfinished">Die Quelle ins Tempo des Projekts dehnen</translation>
    </message>
</context>
<context>
    <name>app::Importing</name>
    <message>
        <source>Importing %1</source>
        <translation type="unfinished">%1 wird importiert</translation>
    </message>
    <message>
        <source>Importing and listening</source>
        <translation type="unfinished">Importieren und hinhören</translation>
    </message>
    <message>
        <source>Place</source>
        <translation type="unfinished">Setzen</translation>
    </message>
    <message>
        <source>Import</source>
        <translation type="unfinished">Importieren</translation>
    </message>
    <message>
        <source> The rest was cancelled.</source>
        <translation type="unfinished"> Der Rest wurde abgebrochen.</translation>
    </message>
    <message>
        <source>The import was cancelled; nothing was imported.</source>
        <translation type="unfinished">Der Import wurde abgebrochen; nichts wurde importiert.</translation>
    </message>
    <message>
        <source>Nothing was imported</source>
        <translation type="unfinished">Nichts wurde importiert</translation>
    </message>
    <message>
        <source>%1 sources imported.</source>
        <translation type="unfinished">%1 Quellen importiert.</translation>
    </message>
    <message>
        <source>%1 imported</source>
        <translation type="unfinished">%1 importiert</translation>
    </message>
    <message>
        <source>, %1 problems</source>
        <translation type="unfinished">, %1 Probleme</translation>
    </message>
</context>
<context>
    <name>app::InProjectPage</name>
    <message>
        <source>Sources in the project</source>
        <translation type="unfinished">Quellen im Projekt</translation>
    </message>
    <message>
        <source>Every loop, sample or stem that you bring in is listed here, with its tempo and where that is known from.</source>
        <translation type="unfinished">Jeder Loop, jedes Sample, jeder Stem im Projekt steht hier, mit seinem Tempo und woher es bekannt ist.</translation>
    </message>
    <message>
        <source>no tempo</source>
        <translation type="unfinished">kein Tempo</translation>
    </message>
    <message>
        <source>one hit</source>
        <translation type="unfinished">ein Schlag</translation>
    </message>
    <message>
        <source>played free · %1</source>
        <translation type="unfinished">frei gespielt · %1</translation>
    </message>
    <message>
        <source>%1 beats · %2</source>
        <translation type="unfinished">%1 Zählzeiten · %2</translation>
    </message>
    <message>
        <source>missing</source>
        <translation type="unfinished">fehlt</translation>
    </message>
    <message numerus="yes">
        <source>set of %n · </source>
        <translation type="unfinished">
            <numerusform>Satz aus %n · </numerusform>
            <numerusform>Satz aus %n · </numerusform>
        </translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation type="unfinished">%1, %2</translation>
    </message>
</context>
<context>
    <name>app::Jobs</name>
    <message>
        <source>There is not enough memory for it.</source>
        <translation type="unfinished">Dafür reicht der Speicher nicht.</translation>
    </message>
</context>
<context>
    <name>app::KeyPlot</name>
    <message>
        <source>Transposition of all sources for every project key</source>
        <translation type="unfinished">Transposition aller Quellen für jede Tonart des Projekts</translation>
    </message>
    <message>
        <source>%1: no source is transposed</source>
        <translation type="unfinished">%1: keine Quelle wird transponiert</translation>
    </message>
    <message>
        <source>%1: %2 of %3 transposed, %4</source>
        <translation type="unfinished">%1: %2 von %3 transponiert, %4</translation>
    </message>
    <message>
        <source> and others</source>
        <translation type="unfinished"> und andere</translation>
    </message>
    <message>
        <source>Key: how far the sources with a known key are transposed, in semitones, by the shorter way</source>
        <translation type="unfinished">Tonart: wie weit die Quellen mit bekannter Tonart transponiert werden, in Halbtönen, auf dem kürzeren Weg</translation>
    </message>
    <message>
        <source>all meet, now</source>
        <translation type="unfinished">alle treffen sich, jetzt</translation>
    </message>
    <message>
        <source>all meet</source>
        <translation type="unfinished">alle treffen sich</translation>
    </message>
    <message>
        <source>now</source>
        <translation type="unfinished">jetzt</translation>
    </message>
    <message>
        <source> · a click sets the project&apos;s key</source>
        <translation type="unfinished"> · ein Klick setzt die Tonart des Projekts</translation>
    </message>
    <message>
        <source>Use this key</source>
        <translation type="unfinished">Diese Tonart benutzen</translation>
    </message>
</context>
<context>
    <name>app::LevelBar</name>
    <message>
        <source>%1: %2. Drag or turn; a double click goes back</source>
        <translation type="unfinished">%1: %2. Ziehen oder drehen; ein Doppelklick geht zurück</translation>
    </message>
</context>
<context>
    <name>app::Levels</name>
    <message>
        <source>Normalise</source>
        <translation type="unfinished">Normalisieren</translation>
    </message>
    <message>
        <source>The audio of a selected clip is missing; its level cannot be measured.</source>
        <translation type="unfinished">Die Aufnahme eines ausgewählten Clips fehlt; sein Pegel kann nicht gemessen werden.</translation>
    </message>
    <message>
        <source>Measuring levels</source>
        <translation type="unfinished">Pegel werden gemessen</translation>
    </message>
    <message>
        <source>%1 dBTP</source>
        <translation type="unfinished">%1 dBTP</translation>
    </message>
    <message>
        <source>%1 LUFS</source>
        <translation type="unfinished">%1 LUFS</translation>
    </message>
    <message>
        <source>Brought to %1: %2 dB</source>
        <translation type="unfinished">Auf %1 gebracht: %2 dB</translation>
    </message>
    <message>
        <source>%1 clips brought to %2</source>
        <translation type="unfinished">%1 Clips auf %2 gebracht</translation>
    </message>
</context>
<context>
    <name>app::LibraryDesk</name>
    <message>
        <source>The library was begun anew</source>
        <translation type="unfinished">Die Bibliothek wurde neu begonnen</translation>
    </message>
    <message>
        <source>%1 is no longer looked through; its files are where they were.</source>
        <translation type="unfinished">%1 wird nicht mehr durchgesehen; seine Dateien sind, wo sie waren.</translation>
    </message>
    <message>
        <source>No folder is in the library yet: add one.</source>
        <translation type="unfinished">Noch ist kein Ordner in der Bibliothek: einen hinzufügen.</translation>
    </message>
    <message>
        <source>Scanning %1</source>
        <translation type="unfinished">%1 wird durchgesehen</translation>
    </message>
    <message>
        <source>Scanning folders</source>
        <translation type="unfinished">Ordner werden durchgesehen</translation>
    </message>
    <message>
        <source>The folders could not be scanned</source>
        <translation type="unfinished">Die Ordner konnten nicht durchgesehen werden</translation>
    </message>
    <message>
        <source>%1 of %2 files could not be read</source>
        <translation type="unfinished">%1 von %2 Dateien konnten nicht gelesen werden</translation>
    </message>
    <message>
        <source>%1 files in the library&apos;s folders: %2 new, %3 changed, %4 gone</source>
        <translation type="unfinished">%1 Dateien in den Ordnern der Bibliothek: %2 neu, %3 geändert, %4 weg</translation>
    </message>
    <message>
        <source>Cancelled: %1 files were read and are kept.</source>
        <translation type="unfinished">Abgebrochen: %1 Dateien wurden gelesen und bleiben.</translation>
    </message>
</context>
<context>
    <name>app::LibraryPage</name>
    <message>
        <source>Search the library</source>
        <translation type="unfinished">Bibliothek durchsuchen</translation>
    </message>
    <message>
        <source>Search name, tag, key, kind</source>
        <translation type="unfinished">Name, Tag, Tonart, Art suchen</translation>
    </message>
    <message>
        <source>Files in the library</source>
        <translation type="unfinished">Dateien der Bibliothek</translation>
    </message>
    <message>
        <source>Add folder…</source>
        <translation type="unfinished">Ordner hinzufügen…</translation>
    </message>
    <message>
        <source>A folder of loops and samples, looked through with all that lies in it</source>
        <translation type="unfinished">Ein Ordner mit Loops und Samples, durchgesehen mit allem, was darin liegt</translation>
    </message>
    <message>
        <source>Scan again</source>
        <translation type="unfinished">Neu durchsehen</translation>
    </message>
    <message>
        <source>Read what is new or changed in the library&apos;s folders</source>
        <translation type="unfinished">Lesen, was in den Ordnern der Bibliothek neu oder geändert ist</translation>
    </message>
    <message>
        <source>Name a folder of loops and samples: each file in it is listened to once, and then found here by name, tempo, key and kind.</source>
        <translation type="unfinished">Einen Ordner mit Loops und Samples nennen: jede Datei darin wird einmal angehört und ist dann hier nach Name, Tempo, Tonart und Art zu finden.</translation>
    </message>
    <message>
        <source>A folder for the library; all within it is looked through</source>
        <translation type="unfinished">Ein Ordner für die Bibliothek; alles darin wird durchgesehen</translation>
    </message>
    <message>
        <source>%1 found</source>
        <translation type="unfinished">%1 gefunden</translation>
    </message>
    <message>
        <source>1 file</source>
        <translation type="unfinished">1 Datei</translation>
    </message>
    <message>
        <source>%1 files</source>
        <translation type="unfinished">%1 Dateien</translation>
    </message>
</context>
<context>
    <name>app::Listening</name>
    <message>
        <source>Listening to %1</source>
        <translation type="unfinished">%1 wird angehört</translation>
    </message>
    <message>
        <source>Listening again</source>
        <translation type="unfinished">Noch einmal hinhören</translation>
    </message>
    <message>
        <source>Listen again</source>
        <translation type="unfinished">Noch einmal hinhören</translation>
    </message>
    <message>
        <source>Listened to %1 sources again</source>
        <translation type="unfinished">%1 Quellen noch einmal angehört</translation>
    </message>
    <message>
        <source>%1 is heard at %2 BPM</source>
        <translation type="unfinished">%1 wird mit %2 BPM gehört</translation>
    </message>
    <message>
        <source>No beat is heard between these tempos.</source>
        <translation type="unfinished">Zwischen diesen Tempos ist kein Schlag zu hören.</translation>
    </message>
    <message>
        <source>Finding the beats of %1</source>
        <translation type="unfinished">Die Zählzeiten von %1 werden gesucht</translation>
    </message>
    <message>
        <source>Straighten</source>
        <translation type="unfinished">Begradigen</translation>
    </message>
    <message numerus="yes">
        <source>%1: %n pins follow the playing</source>
        <translation type="unfinished">
            <numerusform>%1: %n Nadel folgt dem Spiel</numerusform>
            <numerusform>%1: %n Nadeln folgen dem Spiel</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 runs at one tempo, %2 BPM</source>
        <translation type="unfinished">%1 läuft in einem Tempo, %2 BPM</translation>
    </message>
    <message numerus="yes">
        <source>Listening to %n sources together</source>
        <translation type="unfinished">
            <numerusform>%n Quelle wird angehört</numerusform>
            <numerusform>%n Quellen werden zusammen angehört</numerusform>
        </translation>
    </message>
    <message>
        <source>The project&apos;s rate was changed meanwhile: keep them together once more.</source>
        <translation type="unfinished">Die Rate des Projekts wurde währenddessen geändert: sie noch einmal zusammenlegen.</translation>
    </message>
    <message>
        <source>The sources stay apart.</source>
        <translation type="unfinished">Die Quellen bleiben getrennt.</translation>
    </message>
    <message>
        <source>Make a set</source>
        <translation type="unfinished">Einen Satz machen</translation>
    </message>
    <message numerus="yes">
        <source>%n sources are a set, heard at %1 on their sum</source>
        <translation type="unfinished">
            <numerusform>%n Quelle ist ein Satz, gehört mit %1 auf ihrer Summe</numerusform>
            <numerusform>%n Quellen sind ein Satz, gehört mit %1 auf ihrer Summe</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n sources are a set; no beat is heard on their sum</source>
        <translation type="unfinished">
            <numerusform>%n Quelle ist ein Satz; auf ihrer Summe ist kein Schlag zu hören</numerusform>
            <numerusform>%n Quellen sind ein Satz; auf ihrer Summe ist kein Schlag zu hören</numerusform>
        </translation>
    </message>
    <message>
        <source>None of these sources belongs to a set.</source>
        <translation type="unfinished">Keine dieser Quellen gehört zu einem Satz.</translation>
    </message>
    <message numerus="yes">
        <source>Listening to %n sources one by one</source>
        <translation type="unfinished">
            <numerusform>%n Quelle wird angehört</numerusform>
            <numerusform>%n Quellen werden einzeln angehört</numerusform>
        </translation>
    </message>
    <message>
        <source>Dissolve the set</source>
        <translation type="unfinished">Satz auflösen</translation>
    </message>
    <message numerus="yes">
        <source>Set dissolved: %n sources go by their own beats</source>
        <translation type="unfinished">
            <numerusform>Satz aufgelöst: %n Quelle geht nach ihren eigenen Zählzeiten</numerusform>
            <numerusform>Satz aufgelöst: %n Quellen gehen nach ihren eigenen Zählzeiten</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Listening to %n sources</source>
        <translation type="unfinished">
            <numerusform>%n Quelle wird angehört</numerusform>
            <numerusform>%n Quellen werden angehört</numerusform>
        </translation>
    </message>
    <message>
        <source>Not everything could be heard</source>
        <translation type="unfinished">Nicht alles konnte angehört werden</translation>
    </message>
    <message>
        <source>Select the clips that are to take its feel.</source>
        <translation type="unfinished">Die Clips auswählen, die sein Feel bekommen sollen.</translation>
    </message>
    <message>
        <source>Finding the feel of %1</source>
        <translation type="unfinished">Das Feel von %1 wird gesucht</translation>
    </message>
    <message>
        <source>Take a feel</source>
        <translation type="unfinished">Ein Feel übernehmen</translation>
    </message>
    <message numerus="yes">
        <source>%n clips have the feel of %1</source>
        <translation type="unfinished">
            <numerusform>%n Clip hat das Feel von %1</numerusform>
            <numerusform>%n Clips haben das Feel von %1</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>app::MainWindow</name>
    <message>
        <source>Project</source>
        <translation type="unfinished">Projekt</translation>
    </message>
    <message>
        <source>Pages</source>
        <translation type="unfinished">Seiten</translation>
    </message>
    <message>
        <source>Bars</source>
        <translation type="unfinished">Takte</translation>
    </message>
    <message>
        <source>Sources</source>
        <translation type="unfinished">Quellen</translation>
    </message>
    <message>
        <source>Strain</source>
        <translation type="unfinished">Belastung</translation>
    </message>
    <message>
        <source>Snap</source>
        <translation type="unfinished">Raster</translation>
    </message>
    <message>
        <source>bar</source>
        <translation type="unfinished">Takt</translation>
    </message>
    <message>
        <source>beat</source>
        <translation type="unfinished">Zählzeit</translation>
    </message>
    <message>
        <source>½ beat</source>
        <translation type="unfinished">½ Zählzeit</translation>
    </message>
    <message>
        <source>¼ beat</source>
        <translation type="unfinished">¼ Zählzeit</translation>
    </message>
    <message>
        <source>off</source>
        <translation type="unfinished">aus</translation>
    </message>
    <message>
        <source>New sources</source>
        <translation type="unfinished">Neue Quellen</translation>
    </message>
    <message>
        <source>Drop audio on the bars · Space plays · double click a figure to type it</source>
        <translation type="unfinished">Dateien auf den Takten ablegen · Leertaste spielt · Doppelklick auf eine Zahl tippt sie</translation>
    </message>
    <message>
        <source>Untitled</source>
        <translation type="unfinished">Ohne Namen</translation>
    </message>
    <message>
        <source>Quitting</source>
        <translation type="unfinished">Wird beendet</translation>
    </message>
    <message>
        <source>Help</source>
        <translation type="unfinished">Hilfe</translation>
    </message>
    <message>
        <source>Patient Metre %1</source>
        <translation type="unfinished">Patient Metre %1</translation>
    </message>
    <message>
        <source>Brings loops, samples and stems to one tempo and one grid, and keeps their pitch.</source>
        <translation type="unfinished">Bringt Loops, Samples und Stems in ein Tempo und auf ein Raster, und lässt ihre Tonhöhe.</translation>
    </message>
    <message>
        <source>Free software under the GNU General Public License, version 3 or later.</source>
        <translation type="unfinished">Freie Software unter der GNU General Public License, Version 3 oder später. Die deutsche Übersetzung ist noch nicht gegengelesen.</translation>
    </message>
    <message>
        <source>Fonts: Inter and Metre Figures (from Vollkorn), under the SIL Open Font License.</source>
        <translation type="unfinished">Schriften: Inter und Metre Figures (aus Vollkorn), unter der SIL Open Font License.</translation>
    </message>
    <message>
        <source>Patient Metre ended unexpectedly while working on %1.</source>
        <translation type="unfinished">Patient Metre endete unerwartet bei der Arbeit an %1.</translation>
    </message>
    <message>
        <source>Recover it</source>
        <translation type="unfinished">Wiederherstellen</translation>
    </message>
    <message>
        <source>Recovering</source>
        <translation type="unfinished">Wird wiederhergestellt</translation>
    </message>
    <message>
        <source>Reconnect the device</source>
        <translation type="unfinished">Gerät neu verbinden</translation>
    </message>
    <message>
        <source>What imported files do: follow the project&apos;s time, stay as recorded, or lead</source>
        <translation type="unfinished">Was importierte Dateien tun: der Zeit des Projekts folgen, bleiben wie aufgenommen, oder führen</translation>
    </message>
    <message>
        <source>Other programs</source>
        <translation type="unfinished">Andere Programme</translation>
    </message>
</context>
<context>
    <name>app::MessageBar</name>
    <message>
        <source>Details</source>
        <translation type="unfinished">Einzelheiten</translation>
    </message>
    <message>
        <source>Close</source>
        <translation type="unfinished">Schließen</translation>
    </message>
    <message>
        <source>Close this message (Escape)</source>
        <translation type="unfinished">Diese Meldung schließen (Escape)</translation>
    </message>
    <message>
        <source>Close (%1 more)</source>
        <translation type="unfinished">Schließen (%1 weitere)</translation>
    </message>
</context>
<context>
    <name>app::Meter</name>
    <message>
        <source>Output level</source>
        <translation type="unfinished">Ausgangspegel</translation>
    </message>
    <message>
        <source>Output level; click to forget an overload</source>
        <translation type="unfinished">Ausgangspegel; Klick vergisst eine Übersteuerung</translation>
    </message>
    <message>
        <source>silent</source>
        <translation type="unfinished">still</translation>
    </message>
    <message>
        <source>Output over</source>
        <translation type="unfinished">Ausgang übersteuert</translation>
    </message>
    <message>
        <source>Output</source>
        <translation type="unfinished">Ausgang</translation>
    </message>
</context>
<context>
    <name>app::OwnWordsEditor</name>
    <message>
        <source>Own tags, with commas between them</source>
        <translation type="unfinished">Eigene Tags, durch Kommas getrennt</translation>
    </message>
    <message>
        <source>Tags: reed, dusk</source>
        <translation type="unfinished">Tags: Schilf, Dämmerung</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation type="unfinished">Notizen</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation type="unfinished">Behalten</translation>
    </message>
    <message>
        <source>Keep tags and notes (Enter)</source>
        <translation type="unfinished">Tags und Notizen behalten (Eingabe)</translation>
    </message>
    <message>
        <source>%1 files</source>
        <translation type="unfinished">%1 Dateien</translation>
    </message>
    <message>
        <source>mixed: what is typed takes their place</source>
        <translation type="unfinished">gemischt: was getippt wird, tritt an ihre Stelle</translation>
    </message>
    <message>
        <source>Not now</source>
        <translation type="unfinished">Nicht jetzt</translation>
    </message>
    <message>
        <source>Discard the changes (Escape)</source>
        <translation type="unfinished">Änderungen verwerfen (Escape)</translation>
    </message>
</context>
<context>
    <name>app::PreferencesSheet</name>
    <message>
        <source>Preferences</source>
        <translation type="unfinished">Einstellungen</translation>
    </message>
    <message>
        <source>Groups of preferences</source>
        <translation type="unfinished">Gruppen von Einstellungen</translation>
    </message>
    <message>
        <source>Sound device</source>
        <translation type="unfinished">Soundgerät</translation>
    </message>
    <message>
        <source>none: simulated, silent</source>
        <translation type="unfinished">keines: simuliert, still</translation>
    </message>
    <message>
        <source>Device</source>
        <translation type="unfinished">Gerät</translation>
    </message>
    <message>
        <source>Where the sound goes. A simulated one plays in real time, and nobody hears it.</source>
        <translation type="unfinished">Wohin der Ton geht. Ein simuliertes spielt in Echtzeit, und niemand hört es.</translation>
    </message>
    <message>
        <source>Playing</source>
        <translation type="unfinished">Abspielen</translation>
    </message>
    <message>
        <source>Level of the click</source>
        <translation type="unfinished">Pegel des Klicks</translation>
    </message>
    <message>
        <source>Gain of the output</source>
        <translation type="unfinished">Pegel des Ausgangs</translation>
    </message>
    <message>
        <source>“%1” is not a gain in decibels.</source>
        <translation type="unfinished">„%1“ ist kein Pegel in Dezibel.</translation>
    </message>
    <message>
        <source>Click</source>
        <translation type="unfinished">Klick</translation>
    </message>
    <message>
        <source>How loud the click on the beats is; the first of a bar is accented.</source>
        <translation type="unfinished">Wie laut der Klick auf den Zählzeiten ist; der erste im Takt ist betont.</translation>
    </message>
    <message>
        <source>Output</source>
        <translation type="unfinished">Ausgang</translation>
    </message>
    <message>
        <source>A gain on all that is heard, the click too; what is delivered has none of it.</source>
        <translation type="unfinished">Ein Pegel für alles, was zu hören ist, auch den Klick; das Ausgelieferte hat ihn nicht.</translation>
    </message>
    <message>
        <source>none</source>
        <translation type="unfinished">keine</translation>
    </message>
    <message>
        <source>1 bar</source>
        <translation type="unfinished">1 Takt</translation>
    </message>
    <message>
        <source>%1 bars</source>
        <translation type="unfinished">%1 Takte</translation>
    </message>
    <message>
        <source>Count-in</source>
        <translation type="unfinished">Vorzählen</translation>
    </message>
    <message>
        <source>Bars of click before it plays.</source>
        <translation type="unfinished">Takte Klick, bevor es spielt.</translation>
    </message>
    <message>
        <source>This project</source>
        <translation type="unfinished">Dieses Projekt</translation>
    </message>
    <message>
        <source>Rate of the project</source>
        <translation type="unfinished">Rate des Projekts</translation>
    </message>
    <message>
        <source>Sample rate</source>
        <translation type="unfinished">Abtastrate</translation>
    </message>
    <message>
        <source>At which everything is rendered and delivered. Changed, all audio is read anew from its files.</source>
        <translation type="unfinished">Mit der alles gerechnet und ausgeliefert wird. Wird sie geändert, werden alle Aufnahmen neu aus ihren Dateien gelesen.</translation>
    </message>
    <message>
        <source>Time rule</source>
        <translation type="unfinished">Zeitregel</translation>
    </message>
    <message>
        <source>Time rule of the project</source>
        <translation type="unfinished">Zeitregel des Projekts</translation>
    </message>
    <message>
        <source>What clips do when the tempo changes, where neither they nor their track say otherwise.</source>
        <translation type="unfinished">Was Clips tun, wenn das Tempo sich ändert, wo weder sie noch ihre Spur etwas anderes sagen.</translation>
    </message>
    <message>
        <source>New sources</source>
        <translation type="unfinished">Neue Quellen</translation>
    </message>
    <message>
        <source>Proof and strain</source>
        <translation type="unfinished">Nachweis und Belastung</translation>
    </message>
    <message>
        <source>system default</source>
        <translation type="unfinished">Vorgabe des Systems</translation>
    </message>
    <message>
        <source>Looking for sound devices</source>
        <translation type="unfinished">Soundgeräte werden gesucht</translation>
    </message>
    <message>
        <source>Empty the cache</source>
        <translation type="unfinished">Zwischenspeicher leeren</translation>
    </message>
    <message>
        <source>Cache</source>
        <translation type="unfinished">Zwischenspeicher</translation>
    </message>
    <message>
        <source>Decoded and fitted audio, %1 GB in %2, there at once the next time. All of it can be made again.</source>
        <translation type="unfinished">Gelesene und eingepasste Aufnahmen, %1 GB in %2, beim nächsten Mal sofort da. Alles davon lässt sich neu machen.</translation>
    </message>
    <message>
        <source>“%1” is not a percentage.</source>
        <translation type="unfinished">„%1“ ist kein Prozentsatz.</translation>
    </message>
    <message>
        <source>Appearance</source>
        <translation type="unfinished">Erscheinung</translation>
    </message>
    <message>
        <source>Other programs</source>
        <translation type="unfinished">Andere Programme</translation>
    </message>
    <message>
        <source>MIDI in</source>
        <translation type="unfinished">MIDI-Eingang</translation>
    </message>
    <message>
        <source>MIDI out</source>
        <translation type="unfinished">MIDI-Ausgang</translation>
    </message>
    <message>
        <source>Looking for MIDI ports</source>
        <translation type="unfinished">Suche MIDI-Anschlüsse</translation>
    </message>
    <message>
        <source>The project&apos;s clock goes out here: its tempo, starts, stops and places.</source>
        <translation type="unfinished">Hier geht die Clock des Projekts hinaus: Tempo, Starts, Stopps und Orte.</translation>
    </message>
    <message>
        <source>The clock that comes in here may lead, or its tempo be taken.</source>
        <translation type="unfinished">Die Clock, die hier ankommt, kann führen, oder ihr Tempo wird übernommen.</translation>
    </message>
</context>
<context>
    <name>app::ProjectDialogs</name>
    <message>
        <source>Import audio</source>
        <translation type="unfinished">Aufnahmen importieren</translation>
    </message>
    <message>
        <source>Audio (*.wav *.aif *.aiff *.flac *.ogg *.oga *.opus *.mp3)</source>
        <translation type="unfinished">Audio (*.wav *.aif *.aiff *.flac *.ogg *.oga *.opus *.mp3)</translation>
    </message>
    <message>
        <source>All files (*)</source>
        <translation type="unfinished">Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Open a project: its folder, or the project.json in it</source>
        <translation type="unfinished">Ein Projekt öffnen: seinen Ordner, oder die project.json darin</translation>
    </message>
    <message>
        <source>Projects (project.json)</source>
        <translation type="unfinished">Projekte (project.json)</translation>
    </message>
    <message>
        <source>Save the project as a folder</source>
        <translation type="unfinished">Das Projekt als Ordner speichern</translation>
    </message>
    <message>
        <source>Folder:</source>
        <translation type="unfinished">Ordner:</translation>
    </message>
    <message>
        <source>The project was not saved</source>
        <translation type="unfinished">Das Projekt wurde nicht gespeichert</translation>
    </message>
    <message>
        <source>%1 holds other things already. Choose a new name; the project becomes a folder of that name.</source>
        <translation type="unfinished">%1 enthält schon anderes. Einen neuen Namen wählen; das Projekt wird ein Ordner dieses Namens.</translation>
    </message>
    <message>
        <source>Not saved yet</source>
        <translation type="unfinished">Noch nicht gespeichert</translation>
    </message>
    <message>
        <source>%1 loses what was changed since the last save.</source>
        <translation type="unfinished">%1 verliert, was seit dem letzten Speichern geändert wurde.</translation>
    </message>
    <message>
        <source>Save first</source>
        <translation type="unfinished">Zuerst speichern</translation>
    </message>
    <message>
        <source>Discard changes</source>
        <translation type="unfinished">Änderungen verwerfen</translation>
    </message>
    <message>
        <source>Stay</source>
        <translation type="unfinished">Bleiben</translation>
    </message>
    <message>
        <source>Opening another project</source>
        <translation type="unfinished">Ein anderes Projekt öffnen</translation>
    </message>
    <message>
        <source>No project was opened or saved yet</source>
        <translation type="unfinished">Noch wurde kein Projekt geöffnet oder gespeichert</translation>
    </message>
    <message>
        <source>Where may the missing audio lie? All folders within are looked through</source>
        <translation type="unfinished">Wo könnten die fehlenden Aufnahmen liegen? Alle Ordner darin werden durchgesehen</translation>
    </message>
    <message>
        <source>Take tempo and metre from a Standard MIDI File</source>
        <translation type="unfinished">Tempo und Taktart aus einer Standard-MIDI-Datei übernehmen</translation>
    </message>
    <message>
        <source>Standard MIDI Files (*.mid *.midi *.MID)</source>
        <translation type="unfinished">Standard-MIDI-Dateien (*.mid *.midi *.MID)</translation>
    </message>
</context>
<context>
    <name>app::ProofSummary</name>
    <message>
        <source>%1 being measured</source>
        <translation type="unfinished">%1 werden gemessen</translation>
    </message>
    <message>
        <source>Proof: %1</source>
        <translation type="unfinished">Nachweis: %1</translation>
    </message>
    <message>
        <source>nothing yet</source>
        <translation type="unfinished">noch nichts</translation>
    </message>
    <message>
        <source>%1. The hit that is farthest off is %2: press to go there.</source>
        <translation type="unfinished">%1. Der Schlag, der am weitesten danebenliegt, liegt %2: drücken, um hinzugehen.</translation>
    </message>
    <message>
        <source>Measured: how the rendered clips lie on the grid</source>
        <translation type="unfinished">Gemessen: wie die fertigen Clips auf dem Raster liegen</translation>
    </message>
    <message>
        <source>%1 waiting</source>
        <translation type="unfinished">%1 warten</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation type="unfinished">%1 %2</translation>
    </message>
</context>
<context>
    <name>app::Proofs</name>
    <message>
        <source>early</source>
        <translation type="unfinished">früh</translation>
    </message>
    <message>
        <source>late</source>
        <translation type="unfinished">spät</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation type="unfinished">%1 %2</translation>
    </message>
    <message>
        <source>there is nothing to prove yet</source>
        <translation type="unfinished">noch ist nichts nachzuweisen</translation>
    </message>
    <message>
        <source>Proof: %1</source>
        <translation type="unfinished">Nachweis: %1</translation>
    </message>
    <message>
        <source> · worst hit %1 ms %2</source>
        <translation type="unfinished"> · schlimmster Schlag %1 ms %2</translation>
    </message>
    <message>
        <source>There is not enough memory for it.</source>
        <translation type="unfinished">Dafür reicht der Speicher nicht.</translation>
    </message>
    <message>
        <source>%1 could not be proven: %2</source>
        <translation type="unfinished">%1 konnte nicht nachgewiesen werden: %2</translation>
    </message>
    <message>
        <source>Proving one clip</source>
        <translation type="unfinished">Ein Clip wird nachgewiesen</translation>
    </message>
    <message>
        <source>Proving %1 clips</source>
        <translation type="unfinished">%1 Clips werden nachgewiesen</translation>
    </message>
</context>
<context>
    <name>app::RailsView</name>
    <message>
        <source>Move a pin</source>
        <translation type="unfinished">Eine Nadel verschieben</translation>
    </message>
    <message>
        <source>beat %1 at %2 s%3 · %4 BPM from here</source>
        <translation type="unfinished">Zählzeit %1 bei %2 s%3 · %4 BPM ab hier</translation>
    </message>
    <message>
        <source>, on an onset</source>
        <translation type="unfinished">, auf einem Einsatz</translation>
    </message>
    <message>
        <source>Pin to another beat</source>
        <translation type="unfinished">Auf eine andere Zählzeit stecken</translation>
    </message>
    <message>
        <source>beat %1, at %2 · %3 BPM from here</source>
        <translation type="unfinished">Zählzeit %1, bei %2 · %3 BPM ab hier</translation>
    </message>
    <message>
        <source>%1 to %2 s · %3 s</source>
        <translation type="unfinished">%1 bis %2 s · %3 s</translation>
    </message>
    <message>
        <source>onset %1 s</source>
        <translation type="unfinished">Einsatz %1 s</translation>
    </message>
    <message>
        <source>beat %1 at %2 s · %3 BPM from here</source>
        <translation type="unfinished">Zählzeit %1 bei %2 s · %3 BPM ab hier</translation>
    </message>
    <message>
        <source> · before %1</source>
        <translation type="unfinished"> · vor %1</translation>
    </message>
    <message>
        <source>Drag a knob · P pins here · double click names a pin · , . step through onsets</source>
        <translation type="unfinished">Einen Knopf ziehen · P steckt hier · Doppelklick benennt eine Nadel · , . gehen durch die Einsätze</translation>
    </message>
    <message>
        <source>The source as recorded, and as it is heard on the grid</source>
        <translation type="unfinished">Die Quelle wie aufgenommen, und wie sie auf dem Raster zu hören ist</translation>
    </message>
    <message>
        <source>No onset comes after this.</source>
        <translation type="unfinished">Hiernach kommt kein Einsatz.</translation>
    </message>
    <message>
        <source>No onset comes before this.</source>
        <translation type="unfinished">Hiervor kommt kein Einsatz.</translation>
    </message>
    <message>
        <source>Onset at %1 s</source>
        <translation type="unfinished">Einsatz bei %1 s</translation>
    </message>
    <message>
        <source>Pin</source>
        <translation type="unfinished">Stecken</translation>
    </message>
    <message>
        <source>Pinned: %1 s is beat %2</source>
        <translation type="unfinished">Gesteckt: %1 s ist Zählzeit %2</translation>
    </message>
    <message>
        <source>Remove pins</source>
        <translation type="unfinished">Nadeln entfernen</translation>
    </message>
    <message>
        <source>Move pins</source>
        <translation type="unfinished">Nadeln verschieben</translation>
    </message>
    <message>
        <source>Beat %1 at %2 s</source>
        <translation type="unfinished">Zählzeit %1 bei %2 s</translation>
    </message>
    <message>
        <source>Lock pins</source>
        <translation type="unfinished">Nadeln sperren</translation>
    </message>
    <message>
        <source>Unlock pins</source>
        <translation type="unfinished">Nadeln entsperren</translation>
    </message>
    <message>
        <source>Locked: nothing moves these pins</source>
        <translation type="unfinished">Gesperrt: nichts verschiebt diese Nadeln</translation>
    </message>
    <message>
        <source>Unlocked</source>
        <translation type="unfinished">Entsperrt</translation>
    </message>
    <message>
        <source>Pick one pin to name.</source>
        <translation type="unfinished">Eine Nadel wählen, um sie zu benennen.</translation>
    </message>
    <message>
        <source>Name the pin</source>
        <translation type="unfinished">Nadel benennen</translation>
    </message>
    <message>
        <source>What begins here: verse, break, weir. It shows over the bars.</source>
        <translation type="unfinished">Was hier beginnt: Strophe, Break, Wehr. Es steht dann über den Takten.</translation>
    </message>
    <message>
        <source>Straight between</source>
        <translation type="unfinished">Gerade dazwischen</translation>
    </message>
    <message>
        <source>Straight between the picked pins</source>
        <translation type="unfinished">Gerade zwischen den gewählten Nadeln</translation>
    </message>
    <message>
        <source>Pick the pin from which it is to be straight.</source>
        <translation type="unfinished">Die Nadel wählen, ab der es gerade sein soll.</translation>
    </message>
    <message>
        <source>Straight to the end</source>
        <translation type="unfinished">Gerade bis zum Ende</translation>
    </message>
    <message>
        <source>Straight from here to the last pin</source>
        <translation type="unfinished">Gerade von hier bis zur letzten Nadel</translation>
    </message>
    <message>
        <source>Straight from here</source>
        <translation type="unfinished">Gerade ab hier</translation>
    </message>
    <message>
        <source>Straight from this pin on, and before it</source>
        <translation type="unfinished">Gerade ab dieser Nadel, und davor</translation>
    </message>
    <message>
        <source>drag: both marks · Ctrl: new ones</source>
        <translation type="unfinished">ziehen: beide Marken · Strg: neue</translation>
    </message>
    <message>
        <source>No beats to pin yet: type a tempo first.</source>
        <translation type="unfinished">Noch keine Zählzeiten zu stecken: zuerst ein Tempo eingeben.</translation>
    </message>
    <message>
        <source>One pin removed</source>
        <translation type="unfinished">Eine Nadel entfernt</translation>
    </message>
    <message>
        <source>%1 pins removed</source>
        <translation type="unfinished">%1 Nadeln entfernt</translation>
    </message>
    <message>
        <source>The pin is beat %1 now</source>
        <translation type="unfinished">Die Nadel ist jetzt Zählzeit %1</translation>
    </message>
    <message>
        <source>Set a hit</source>
        <translation type="unfinished">Einen Schlag setzen</translation>
    </message>
    <message>
        <source>this hit on beat %1 · %2 ms %3</source>
        <translation type="unfinished">dieser Schlag auf Zählzeit %1 · %2 ms %3</translation>
    </message>
    <message>
        <source>sooner than played</source>
        <translation type="unfinished">früher als gespielt</translation>
    </message>
    <message>
        <source>later than played</source>
        <translation type="unfinished">später als gespielt</translation>
    </message>
    <message>
        <source>hit at %1 s, drawn · drag it to where it is to sound</source>
        <translation type="unfinished">Schlag bei %1 s, gezogen · dorthin ziehen, wo er klingen soll</translation>
    </message>
    <message>
        <source>Place in the recording</source>
        <translation type="unfinished">Stelle in der Aufnahme</translation>
    </message>
    <message>
        <source>Pin here</source>
        <translation type="unfinished">Hier eine Nadel stecken</translation>
    </message>
    <message>
        <source>Next onset</source>
        <translation type="unfinished">Nächster Einsatz</translation>
    </message>
    <message>
        <source>Previous onset</source>
        <translation type="unfinished">Voriger Einsatz</translation>
    </message>
    <message>
        <source>first mark</source>
        <translation type="unfinished">erste Marke</translation>
    </message>
    <message>
        <source>second mark</source>
        <translation type="unfinished">zweite Marke</translation>
    </message>
    <message>
        <source>Pins</source>
        <translation type="unfinished">Nadeln</translation>
    </message>
    <message>
        <source>pin on beat %1</source>
        <translation type="unfinished">Nadel auf Zählzeit %1</translation>
    </message>
    <message>
        <source>set by hand</source>
        <translation type="unfinished">von Hand gesetzt</translation>
    </message>
    <message>
        <source>as heard</source>
        <translation type="unfinished">wie gehört</translation>
    </message>
    <message>
        <source>locked</source>
        <translation type="unfinished">gesperrt</translation>
    </message>
    <message>
        <source>Lock or unlock</source>
        <translation type="unfinished">Sperren oder entsperren</translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation type="unfinished">Entfernen</translation>
    </message>
    <message>
        <source>Beats in view</source>
        <translation type="unfinished">Zählzeiten im Blick</translation>
    </message>
    <message>
        <source>beat %1</source>
        <translation type="unfinished">Zählzeit %1</translation>
    </message>
</context>
<context>
    <name>app::ReadingsStrip</name>
    <message>
        <source>Readings of the source&apos;s tempo</source>
        <translation type="unfinished">Lesungen des Tempos der Quelle</translation>
    </message>
    <message>
        <source>Tempo of the source, typed</source>
        <translation type="unfinished">Tempo der Quelle, eingegeben</translation>
    </message>
    <message>
        <source>not yet</source>
        <translation type="unfinished">noch nicht</translation>
    </message>
    <message>
        <source>click to type</source>
        <translation type="unfinished">klicken und tippen</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation type="unfinished">nichts</translation>
    </message>
    <message>
        <source>  ·  %1 beats</source>
        <translation type="unfinished">  ·  %1 Zählzeiten</translation>
    </message>
    <message>
        <source>  ·  weight %1</source>
        <translation type="unfinished">  ·  Gewicht %1</translation>
    </message>
    <message>
        <source>
Confidence %1. A click uses it.</source>
        <translation type="unfinished">
Vertrauen %1. Ein Klick benutzt sie.</translation>
    </message>
    <message>
        <source> A right click offers its other tempos.</source>
        <translation type="unfinished"> Ein Rechtsklick bietet ihre anderen Tempos an.</translation>
    </message>
    <message>
        <source>%1 BPM</source>
        <translation type="unfinished">%1 BPM</translation>
    </message>
    <message>
        <source>no tempo</source>
        <translation type="unfinished">kein Tempo</translation>
    </message>
    <message>
        <source>in use</source>
        <translation type="unfinished">in Benutzung</translation>
    </message>
    <message>
        <source>Type</source>
        <translation type="unfinished">Eingeben</translation>
    </message>
    <message>
        <source>Use</source>
        <translation type="unfinished">Benutzen</translation>
    </message>
    <message>
        <source>Use %1 BPM</source>
        <translation type="unfinished">%1 BPM benutzen</translation>
    </message>
</context>
<context>
    <name>app::Remembered</name>
    <message>
        <source>Nothing was remembered of these.</source>
        <translation type="unfinished">Von diesen war nichts gemerkt.</translation>
    </message>
    <message>
        <source>Forgotten what was settled for %1 sources.</source>
        <translation type="unfinished">Vergessen, was für %1 Quellen festgelegt war.</translation>
    </message>
    <message>
        <source>Forget</source>
        <translation type="unfinished">Vergessen</translation>
    </message>
    <message>
        <source>Forgotten what was settled for one source.</source>
        <translation type="unfinished">Vergessen, was für eine Quelle festgelegt war.</translation>
    </message>
</context>
<context>
    <name>app::SelectionList</name>
    <message>
        <source>Selected clips</source>
        <translation type="unfinished">Ausgewählte Clips</translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>At</source>
        <translation type="unfinished">Bei</translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished">Tempo</translation>
    </message>
    <message>
        <source>Rule</source>
        <translation type="unfinished">Regel</translation>
    </message>
    <message>
        <source>Method</source>
        <translation type="unfinished">Verfahren</translation>
    </message>
    <message>
        <source>Strain</source>
        <translation type="unfinished">Belastung</translation>
    </message>
    <message>
        <source>Proof</source>
        <translation type="unfinished">Nachweis</translation>
    </message>
    <message>
        <source>, worst %1 ms</source>
        <translation type="unfinished">, schlimmster %1 ms</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation type="unfinished">und %1 weitere</translation>
    </message>
</context>
<context>
    <name>app::Session</name>
    <message>
        <source>%1 could not be done</source>
        <translation type="unfinished">%1 ging nicht</translation>
    </message>
    <message>
        <source>Not everything could be fitted; playing tries it again</source>
        <translation type="unfinished">Nicht alles konnte eingepasst werden; Abspielen versucht es wieder</translation>
    </message>
</context>
<context>
    <name>app::Shelf</name>
    <message>
        <source>Where audio comes from</source>
        <translation type="unfinished">Woher Aufnahmen kommen</translation>
    </message>
    <message>
        <source>Library</source>
        <translation type="unfinished">Bibliothek</translation>
    </message>
    <message>
        <source>Folders</source>
        <translation type="unfinished">Ordner</translation>
    </message>
    <message>
        <source>In project</source>
        <translation type="unfinished">Im Projekt</translation>
    </message>
    <message>
        <source>No longer a favourite</source>
        <translation type="unfinished">Kein Favorit mehr</translation>
    </message>
    <message>
        <source>A favourite</source>
        <translation type="unfinished">Ein Favorit</translation>
    </message>
    <message>
        <source>Tags and notes…</source>
        <translation type="unfinished">Tags und Notizen…</translation>
    </message>
    <message>
        <source>Show in its folder</source>
        <translation type="unfinished">In seinem Ordner zeigen</translation>
    </message>
    <message>
        <source>Stop the audition	A</source>
        <translation type="unfinished">Vorhören anhalten	A</translation>
    </message>
    <message>
        <source>Audition	A</source>
        <translation type="unfinished">Vorhören	A</translation>
    </message>
    <message>
        <source>Import at the play position	Enter</source>
        <translation type="unfinished">An der Abspielposition importieren	Eingabe</translation>
    </message>
    <message>
        <source>Set the project to this tempo</source>
        <translation type="unfinished">Dem Projekt dieses Tempo geben</translation>
    </message>
    <message>
        <source>Lend its feel to the selected clips</source>
        <translation type="unfinished">Den ausgewählten Clips sein Feel leihen</translation>
    </message>
</context>
<context>
    <name>app::Sounds</name>
    <message>
        <source>Reading the audio at %1 kHz</source>
        <translation type="unfinished">Aufnahmen werden mit %1 kHz gelesen</translation>
    </message>
    <message>
        <source>The rate stays as it was.</source>
        <translation type="unfinished">Die Rate bleibt, wie sie war.</translation>
    </message>
    <message>
        <source>Sample rate</source>
        <translation type="unfinished">Abtastrate</translation>
    </message>
    <message>
        <source>The project is at %1 kHz</source>
        <translation type="unfinished">Das Projekt hat %1 kHz</translation>
    </message>
    <message>
        <source>Not all of the audio could be read</source>
        <translation type="unfinished">Nicht alle Aufnahmen konnten gelesen werden</translation>
    </message>
    <message numerus="yes">
        <source>Reading %n sources at the project&apos;s rate</source>
        <translation type="unfinished">
            <numerusform>%n Quelle wird mit der Rate des Projekts gelesen</numerusform>
            <numerusform>%n Quellen werden mit der Rate des Projekts gelesen</numerusform>
        </translation>
    </message>
    <message>
        <source>Nothing is missing.</source>
        <translation type="unfinished">Nichts fehlt.</translation>
    </message>
    <message>
        <source>Looking for missing audio in %1</source>
        <translation type="unfinished">Fehlende Aufnahmen werden in %1 gesucht</translation>
    </message>
    <message>
        <source>All of the missing audio was found</source>
        <translation type="unfinished">Alle fehlenden Aufnahmen wurden gefunden</translation>
    </message>
    <message>
        <source>%1 of %2 found; %3 still missing</source>
        <translation type="unfinished">%1 von %2 gefunden; %3 fehlen noch</translation>
    </message>
    <message>
        <source>Select one clip whose audio is there: the part that it plays becomes a source of its own.</source>
        <translation type="unfinished">Einen Clip auswählen, dessen Aufnahme da ist: der Teil, den er spielt, wird eine eigene Quelle.</translation>
    </message>
    <message>
        <source>The clip is locked; unlock it first.</source>
        <translation type="unfinished">Der Clip ist gesperrt; ihn zuerst entsperren.</translation>
    </message>
    <message>
        <source>Extracting a part of %1</source>
        <translation type="unfinished">Ein Teil von %1 wird herausgelöst</translation>
    </message>
    <message>
        <source>The part was not extracted</source>
        <translation type="unfinished">Der Teil wurde nicht herausgelöst</translation>
    </message>
    <message>
        <source>Extract</source>
        <translation type="unfinished">Herauslösen</translation>
    </message>
    <message>
        <source>%1 is a source of its own; the recording it comes from stays whole</source>
        <translation type="unfinished">%1 ist eine eigene Quelle; die Aufnahme, aus der sie kommt, bleibt ganz</translation>
    </message>
    <message>
        <source>Emptying the cache</source>
        <translation type="unfinished">Zwischenspeicher wird geleert</translation>
    </message>
    <message>
        <source>What was kept on disk is removed; it is made again as it is needed.</source>
        <translation type="unfinished">Was auf der Platte lag, ist entfernt; es wird neu gemacht, wenn es gebraucht wird.</translation>
    </message>
    <message>
        <source>Audio could not be read from the disk</source>
        <translation type="unfinished">Aufnahmen konnten nicht von der Platte gelesen werden</translation>
    </message>
    <message>
        <source>Part of what lies in %1 was cut short, or its disk went; it is silent now. Open the project again to read it anew.</source>
        <translation type="unfinished">Ein Teil dessen, was in %1 liegt, wurde gekürzt, oder seine Platte ist weg; es ist jetzt still. Das Projekt noch einmal öffnen, um es neu zu lesen.</translation>
    </message>
</context>
<context>
    <name>app::SourceColumn</name>
    <message>
        <source>Straighten…</source>
        <translation type="unfinished">Begradigen…</translation>
    </message>
    <message>
        <source>Take project time here</source>
        <translation type="unfinished">Projektzeit hier übernehmen</translation>
    </message>
    <message>
        <source>Tap</source>
        <translation type="unfinished">Tippen</translation>
    </message>
    <message>
        <source>Listen for tempos from</source>
        <translation type="unfinished">Auf Tempos hören ab</translation>
    </message>
    <message>
        <source>Listen for tempos up to</source>
        <translation type="unfinished">Auf Tempos hören bis</translation>
    </message>
    <message>
        <source>Listens between these tempos; one octave, 70 to 140 say, settles half and double</source>
        <translation type="unfinished">Hört zwischen diesen Tempos; eine Oktave, etwa 70 bis 140, entscheidet halb und doppelt</translation>
    </message>
    <message>
        <source>Listen between</source>
        <translation type="unfinished">Hören zwischen</translation>
    </message>
    <message>
        <source>and</source>
        <translation type="unfinished">und</translation>
    </message>
    <message>
        <source>Beats between the marks</source>
        <translation type="unfinished">Zählzeiten zwischen den Marken</translation>
    </message>
    <message>
        <source>Bars between the marks</source>
        <translation type="unfinished">Takte zwischen den Marken</translation>
    </message>
    <message>
        <source>How many lie between the marks in the ruler of the recording: its tempo follows</source>
        <translation type="unfinished">Wie viele zwischen den Marken im Lineal der Aufnahme liegen: daraus folgt ihr Tempo</translation>
    </message>
    <message>
        <source>Marked</source>
        <translation type="unfinished">Markiert</translation>
    </message>
    <message>
        <source>beats</source>
        <translation type="unfinished">Zählzeiten</translation>
    </message>
    <message>
        <source>bars</source>
        <translation type="unfinished">Takte</translation>
    </message>
    <message>
        <source>Metre of the source</source>
        <translation type="unfinished">Taktart der Quelle</translation>
    </message>
    <message>
        <source>Tap bars</source>
        <translation type="unfinished">Takte tippen</translation>
    </message>
    <message>
        <source>Taps are on bars, not on beats</source>
        <translation type="unfinished">Getippt werden Takte, nicht Zählzeiten</translation>
    </message>
    <message>
        <source>Which onsets count</source>
        <translation type="unfinished">Welche Einsätze zählen</translation>
    </message>
    <message>
        <source>Which onsets count: the strongest alone on the left, all that were found on the right. Knobs, marks and steps hold to these.</source>
        <translation type="unfinished">Welche Einsätze zählen: links nur die stärksten, rechts alle gefundenen. Knöpfe, Marken und Schritte halten sich an diese.</translation>
    </message>
    <message>
        <source>Onsets</source>
        <translation type="unfinished">Einsätze</translation>
    </message>
    <message>
        <source>How strictly the playing is laid on its beats: 0 % keeps it as it was played, at one tempo. Wheel: ±5 %.</source>
        <translation type="unfinished">Wie streng das Spiel auf seine Zählzeiten gelegt wird: 0 % lässt es, wie es gespielt wurde, in einem Tempo. Rad: ±5 %.</translation>
    </message>
    <message>
        <source>“%1” is not a percentage.</source>
        <translation type="unfinished">„%1“ ist kein Prozentsatz.</translation>
    </message>
    <message>
        <source>Follow the playing</source>
        <translation type="unfinished">Dem Spiel folgen</translation>
    </message>
    <message>
        <source>As it was played, at one tempo</source>
        <translation type="unfinished">Wie gespielt, in einem Tempo</translation>
    </message>
    <message>
        <source>%1 is now %2 BPM</source>
        <translation type="unfinished">%1 hat jetzt %2 BPM</translation>
    </message>
    <message>
        <source>Pick tempo</source>
        <translation type="unfinished">Tempo wählen</translation>
    </message>
    <message>
        <source>Listen between two tempos, the lower one first: 70 and 140, say.</source>
        <translation type="unfinished">Zwischen zwei Tempos hören, das langsamere zuerst: 70 und 140 etwa.</translation>
    </message>
    <message>
        <source>“%1” is not a number of bars.</source>
        <translation type="unfinished">„%1“ ist keine Zahl von Takten.</translation>
    </message>
    <message>
        <source>“%1” is not a number of beats.</source>
        <translation type="unfinished">„%1“ ist keine Zahl von Zählzeiten.</translation>
    </message>
    <message>
        <source>Beats between marks</source>
        <translation type="unfinished">Zählzeiten zwischen Marken</translation>
    </message>
    <message>
        <source>%1: %2 bars between the marks are %3 BPM</source>
        <translation type="unfinished">%1: %2 Takte zwischen den Marken sind %3 BPM</translation>
    </message>
    <message>
        <source>%1: %2 beats between the marks are %3 BPM</source>
        <translation type="unfinished">%1: %2 Zählzeiten zwischen den Marken sind %3 BPM</translation>
    </message>
    <message>
        <source>Finds the beats, and lays the playing on them as strictly as you say</source>
        <translation type="unfinished">Findet die Zählzeiten und legt das Spiel so streng darauf, wie gewünscht</translation>
    </message>
    <message>
        <source>Let this source lead…</source>
        <translation type="unfinished">Diese Quelle führen lassen…</translation>
    </message>
    <message>
        <source>The beats of this recording become the project&apos;s tempo, and it plays as recorded</source>
        <translation type="unfinished">Die Zählzeiten dieser Aufnahme werden das Tempo des Projekts, und sie spielt wie aufgenommen</translation>
    </message>
    <message>
        <source>For a recording that was played to this project: its beats become the project&apos;s here, and follow from then on</source>
        <translation type="unfinished">Für eine Aufnahme, die zu diesem Projekt gespielt wurde: ihre Zählzeiten werden hier die des Projekts und folgen von nun an</translation>
    </message>
    <message>
        <source>Half the tempo (Alt+−)</source>
        <translation type="unfinished">Halbes Tempo (Alt+−)</translation>
    </message>
    <message>
        <source>Twice the tempo (Alt++)</source>
        <translation type="unfinished">Doppeltes Tempo (Alt++)</translation>
    </message>
    <message>
        <source>Tap while the recording plays alone (Shift+T): the tempo stands among the readings</source>
        <translation type="unfinished">Tippen, während die Aufnahme allein spielt (Umschalt+T): das Tempo steht dann unter den Lesungen</translation>
    </message>
    <message>
        <source>Round the tempo</source>
        <translation type="unfinished">Tempo runden</translation>
    </message>
    <message>
        <source>To the whole number next to it (Alt+R)</source>
        <translation type="unfinished">Auf die ganze Zahl daneben (Alt+R)</translation>
    </message>
    <message>
        <source>Metre of the recording: 2 to 12 beats in a bar, or 6/8, 7/8, 9/8, 12/8. Wheel, or type it.</source>
        <translation type="unfinished">Taktart der Aufnahme: 2 bis 12 Zählzeiten im Takt, oder 6/8, 7/8, 9/8, 12/8. Rad, oder eingeben.</translation>
    </message>
    <message>
        <source>Metre</source>
        <translation type="unfinished">Taktart</translation>
    </message>
    <message>
        <source>One onset counts</source>
        <translation type="unfinished">Ein Einsatz zählt</translation>
    </message>
    <message>
        <source>%1 onsets count</source>
        <translation type="unfinished">%1 Einsätze zählen</translation>
    </message>
    <message>
        <source>Strictness of straightening</source>
        <translation type="unfinished">Strenge des Begradigens</translation>
    </message>
    <message>
        <source>Straightened to %1 %</source>
        <translation type="unfinished">Begradigt auf %1 %</translation>
    </message>
    <message>
        <source>Use a reading</source>
        <translation type="unfinished">Eine Lesung benutzen</translation>
    </message>
    <message>
        <source>%1: %2 BPM, %3</source>
        <translation type="unfinished">%1: %2 BPM, %3</translation>
    </message>
    <message>
        <source>Tempo of the recording</source>
        <translation type="unfinished">Tempo der Aufnahme</translation>
    </message>
    <message>
        <source>%1: %2 BPM, typed</source>
        <translation type="unfinished">%1: %2 BPM, eingegeben</translation>
    </message>
    <message>
        <source>Follow by bars</source>
        <translation type="unfinished">Taktweise folgen</translation>
    </message>
    <message>
        <source>Follow by phrases</source>
        <translation type="unfinished">Phrasenweise folgen</translation>
    </message>
    <message>
        <source>Leads…</source>
        <translation type="unfinished">Führt…</translation>
    </message>
</context>
<context>
    <name>app::SourceFigures</name>
    <message>
        <source>Tempo</source>
        <translation type="unfinished">Tempo</translation>
    </message>
    <message>
        <source>Tempo of the recording in BPM. Wheel: ±1, with Shift ±0.1.</source>
        <translation type="unfinished">Tempo der Aufnahme in BPM. Rad: ±1, mit Umschalt ±0.1.</translation>
    </message>
    <message>
        <source>Beats</source>
        <translation type="unfinished">Zählzeiten</translation>
    </message>
    <message>
        <source>Beats from the first downbeat to the end: this says the tempo from the length.</source>
        <translation type="unfinished">Zählzeiten von der ersten Eins bis zum Ende: das sagt das Tempo aus der Länge.</translation>
    </message>
    <message>
        <source>First downbeat</source>
        <translation type="unfinished">Erste Eins</translation>
    </message>
    <message>
        <source>First downbeat, in seconds into the recording</source>
        <translation type="unfinished">Erste Eins, in Sekunden ab Anfang der Aufnahme</translation>
    </message>
    <message>
        <source>Key</source>
        <translation type="unfinished">Tonart</translation>
    </message>
    <message>
        <source>Key of the recording, such as Dm; empty: it has none</source>
        <translation type="unfinished">Tonart der Aufnahme, etwa Dm; leer: sie hat keine</translation>
    </message>
    <message>
        <source>Tempo of the recording</source>
        <translation type="unfinished">Tempo der Aufnahme</translation>
    </message>
    <message>
        <source>“%1” is not a number of beats.</source>
        <translation type="unfinished">„%1“ ist keine Zahl von Zählzeiten.</translation>
    </message>
    <message>
        <source>“%1” is not a time in seconds.</source>
        <translation type="unfinished">„%1“ ist keine Zeit in Sekunden.</translation>
    </message>
    <message>
        <source>“%1” is not a key.</source>
        <translation type="unfinished">„%1“ ist keine Tonart.</translation>
    </message>
    <message>
        <source>Key of the recording</source>
        <translation type="unfinished">Tonart der Aufnahme</translation>
    </message>
    <message>
        <source>mixed</source>
        <translation type="unfinished">gemischt</translation>
    </message>
</context>
<context>
    <name>app::SourcesPage</name>
    <message>
        <source>Filter the sources</source>
        <translation type="unfinished">Quellen filtern</translation>
    </message>
    <message>
        <source>Filter by name, key, kind, tempo</source>
        <translation type="unfinished">Nach Name, Tonart, Art, Tempo filtern</translation>
    </message>
    <message>
        <source>Half the tempo of the selected rows</source>
        <translation type="unfinished">Halbes Tempo der ausgewählten Zeilen</translation>
    </message>
    <message>
        <source>Twice the tempo of the selected rows</source>
        <translation type="unfinished">Doppeltes Tempo der ausgewählten Zeilen</translation>
    </message>
    <message>
        <source>Round</source>
        <translation type="unfinished">Runden</translation>
    </message>
    <message>
        <source>The selected rows to the whole number next to each</source>
        <translation type="unfinished">Die ausgewählten Zeilen je auf die ganze Zahl daneben</translation>
    </message>
    <message>
        <source>Listen again</source>
        <translation type="unfinished">Noch einmal hinhören</translation>
    </message>
    <message>
        <source>Listens to the selected rows again and uses what ranks highest</source>
        <translation type="unfinished">Hört die ausgewählten Zeilen noch einmal an und benutzt, was am höchsten steht</translation>
    </message>
    <message>
        <source>Writes tempo and key into the selected rows&apos; own files; the audio stays bit for bit</source>
        <translation type="unfinished">Schreibt Tempo und Tonart in die Dateien der ausgewählten Zeilen; der Ton bleibt Bit für Bit</translation>
    </message>
    <message>
        <source>Follow</source>
        <translation type="unfinished">Folgen</translation>
    </message>
    <message>
        <source>Whether the selected rows follow the project&apos;s tempo: off, they stay as long as they are</source>
        <translation type="unfinished">Ob die ausgewählten Zeilen dem Tempo des Projekts folgen: aus, bleiben sie so lang, wie sie sind</translation>
    </message>
    <message>
        <source>Tempo for the selected rows</source>
        <translation type="unfinished">Tempo für die ausgewählten Zeilen</translation>
    </message>
    <message>
        <source>tempo</source>
        <translation type="unfinished">Tempo</translation>
    </message>
    <message>
        <source>Sources with their readings</source>
        <translation type="unfinished">Quellen mit ihren Lesungen</translation>
    </message>
    <message>
        <source>Every source gets a row here: what its name, its tag, the ear and its length say of its tempo, side by side. Drop audio to begin.</source>
        <translation type="unfinished">Jede Quelle bekommt hier eine Zeile: was Name, Tag, Ohr und Länge von ihrem Tempo sagen, nebeneinander. Dateien ablegen, um zu beginnen.</translation>
    </message>
    <message>
        <source>%1 sources</source>
        <translation type="unfinished">%1 Quellen</translation>
    </message>
    <message>
        <source>%1 of %2 sources</source>
        <translation type="unfinished">%1 von %2 Quellen</translation>
    </message>
    <message>
        <source> · %1 disagree</source>
        <translation type="unfinished"> · %1 uneins</translation>
    </message>
    <message>
        <source> · %1 selected</source>
        <translation type="unfinished"> · %1 ausgewählt</translation>
    </message>
    <message>
        <source>Each of the selected rows goes its own way again</source>
        <translation type="unfinished">Jede der ausgewählten Zeilen geht wieder ihren eigenen Weg</translation>
    </message>
    <message>
        <source>The selected rows were recorded together: one beat map for all of them</source>
        <translation type="unfinished">Die ausgewählten Zeilen wurden zusammen aufgenommen: eine Zählzeitkarte für alle</translation>
    </message>
    <message>
        <source>Set tempo</source>
        <translation type="unfinished">Tempo setzen</translation>
    </message>
    <message>
        <source>The source is now %1 BPM</source>
        <translation type="unfinished">Die Quelle hat jetzt %1 BPM</translation>
    </message>
    <message>
        <source>%1 sources are now %2 BPM</source>
        <translation type="unfinished">%1 Quellen haben jetzt %2 BPM</translation>
    </message>
    <message>
        <source>Write tags</source>
        <translation type="unfinished">Tags schreiben</translation>
    </message>
    <message>
        <source>Make a set</source>
        <translation type="unfinished">Einen Satz machen</translation>
    </message>
    <message>
        <source>Use a reading</source>
        <translation type="unfinished">Eine Lesung benutzen</translation>
    </message>
    <message>
        <source>%1: %2 BPM, %3</source>
        <translation type="unfinished">%1: %2 BPM, %3</translation>
    </message>
    <message>
        <source>1 source</source>
        <translation type="unfinished">1 Quelle</translation>
    </message>
    <message>
        <source>Dissolve</source>
        <translation type="unfinished">Auflösen</translation>
    </message>
</context>
<context>
    <name>app::StatusLine</name>
    <message>
        <source>Progress</source>
        <translation type="unfinished">Fortschritt</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation type="unfinished">Abbrechen</translation>
    </message>
    <message>
        <source>Fitting was cancelled; playing or changing something goes on with it.</source>
        <translation type="unfinished">Einpassen wurde abgebrochen; Abspielen oder eine Änderung setzt es fort.</translation>
    </message>
    <message>
        <source>%1: waits</source>
        <translation type="unfinished">%1: wartet</translation>
    </message>
    <message>
        <source>%1: %2 of %3</source>
        <translation type="unfinished">%1: %2 von %3</translation>
    </message>
    <message>
        <source>Fitting: %1 of %2 clips</source>
        <translation type="unfinished">Einpassen: %1 von %2 Clips</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation type="unfinished">und %1 weitere</translation>
    </message>
    <message>
        <source>Cancel this job</source>
        <translation type="unfinished">Diese Arbeit abbrechen</translation>
    </message>
</context>
<context>
    <name>app::StrainBar</name>
    <message>
        <source>Strain</source>
        <translation type="unfinished">Belastung</translation>
    </message>
</context>
<context>
    <name>app::StrainPage</name>
    <message>
        <source>Sources, the most strained first</source>
        <translation type="unfinished">Quellen, die am stärksten belastete zuerst</translation>
    </message>
    <message>
        <source>Project tempo</source>
        <translation type="unfinished">Tempo des Projekts</translation>
    </message>
    <message>
        <source>Project tempo %1 BPM</source>
        <translation type="unfinished">Tempo des Projekts %1 BPM</translation>
    </message>
    <message>
        <source>At %1, worst first</source>
        <translation type="unfinished">Bei %1, schlimmste zuerst</translation>
    </message>
    <message>
        <source> · %1 of it</source>
        <translation type="unfinished"> · %1 davon</translation>
    </message>
    <message>
        <source>half</source>
        <translation type="unfinished">halb</translation>
    </message>
    <message>
        <source>double</source>
        <translation type="unfinished">doppelt</translation>
    </message>
    <message>
        <source>Point at a line to read it · click selects its source · drag the red line to try a tempo · wheel zooms</source>
        <translation type="unfinished">Auf eine Linie zeigen, um sie zu lesen · Klick wählt ihre Quelle · die rote Linie ziehen, um ein Tempo zu probieren · Rad zoomt</translation>
    </message>
    <message>
        <source>Shows what is left out, and why</source>
        <translation type="unfinished">Zeigt, was ausgelassen ist, und warum</translation>
    </message>
    <message>
        <source>Project key</source>
        <translation type="unfinished">Tonart des Projekts</translation>
    </message>
    <message>
        <source>Project key %1</source>
        <translation type="unfinished">Tonart des Projekts %1</translation>
    </message>
    <message>
        <source>1 left out</source>
        <translation type="unfinished">1 ausgelassen</translation>
    </message>
    <message>
        <source>%1 left out</source>
        <translation type="unfinished">%1 ausgelassen</translation>
    </message>
</context>
<context>
    <name>app::StrainPlot</name>
    <message>
        <source>Strain of each source at every project tempo</source>
        <translation type="unfinished">Belastung jeder Quelle bei jedem Tempo des Projekts</translation>
    </message>
    <message>
        <source>Use</source>
        <translation type="unfinished">Benutzen</translation>
    </message>
    <message>
        <source>The project goes to the tempo at which all meet</source>
        <translation type="unfinished">Das Projekt geht in das Tempo, bei dem alle sich treffen</translation>
    </message>
    <message>
        <source>gentle</source>
        <translation type="unfinished">sanft</translation>
    </message>
    <message>
        <source>firm</source>
        <translation type="unfinished">kräftig</translation>
    </message>
    <message>
        <source>hard</source>
        <translation type="unfinished">hart</translation>
    </message>
    <message>
        <source>Strain of each source at every project tempo, in per cent</source>
        <translation type="unfinished">Belastung jeder Quelle bei jedem Tempo des Projekts, in Prozent</translation>
    </message>
    <message>
        <source>all meet here</source>
        <translation type="unfinished">hier treffen sich alle</translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation type="unfinished">wie aufgenommen</translation>
    </message>
    <message>
        <source>tried</source>
        <translation type="unfinished">probiert</translation>
    </message>
    <message>
        <source>now</source>
        <translation type="unfinished">jetzt</translation>
    </message>
    <message>
        <source>No source is stretched yet. Bring in loops, and see here what each of them would suffer at every tempo of the project, and where all of them meet.</source>
        <translation type="unfinished">Noch ist keine Quelle gedehnt. Loops hereinholen und hier sehen, was jeder bei jedem Tempo des Projekts auszuhalten hätte, und wo alle sich treffen.</translation>
    </message>
    <message>
        <source>%1 BPM · together %2 %</source>
        <translation type="unfinished">%1 BPM · zusammen %2 %</translation>
    </message>
    <message>
        <source>%1 as %2</source>
        <translation type="unfinished">%1 als %2</translation>
    </message>
    <message>
        <source>Project tempo</source>
        <translation type="unfinished">Tempo des Projekts</translation>
    </message>
    <message>
        <source>%1 BPM</source>
        <translation type="unfinished">%1 BPM</translation>
    </message>
    <message>
        <source>all meet at %1 BPM</source>
        <translation type="unfinished">alle treffen sich bei %1 BPM</translation>
    </message>
    <message>
        <source>Select</source>
        <translation type="unfinished">Auswählen</translation>
    </message>
</context>
<context>
    <name>app::TempoPlot</name>
    <message>
        <source>The tempo as played, beat by beat</source>
        <translation type="unfinished">Das Tempo wie gespielt, Zählzeit für Zählzeit</translation>
    </message>
    <message>
        <source>The tempo as played, beat by beat; dashed: as a whole. Double click: a pin on that beat.</source>
        <translation type="unfinished">Das Tempo wie gespielt, Zählzeit für Zählzeit; gestrichelt: im Ganzen. Doppelklick: eine Nadel auf dieser Zählzeit.</translation>
    </message>
    <message>
        <source>tempo as played</source>
        <translation type="unfinished">Tempo wie gespielt</translation>
    </message>
    <message>
        <source>beat %1 · %2 BPM%3</source>
        <translation type="unfinished">Zählzeit %1 · %2 BPM%3</translation>
    </message>
    <message>
        <source> · nothing played</source>
        <translation type="unfinished"> · nichts gespielt</translation>
    </message>
    <message>
        <source>tempo not known</source>
        <translation type="unfinished">Tempo nicht bekannt</translation>
    </message>
    <message>
        <source>Pin here</source>
        <translation type="unfinished">Hier eine Nadel stecken</translation>
    </message>
</context>
<context>
    <name>app::TempoTaking</name>
    <message>
        <source>Finding the tempo of %1</source>
        <translation type="unfinished">Das Tempo von %1 wird gesucht</translation>
    </message>
    <message>
        <source>The tempo of the file was not taken</source>
        <translation type="unfinished">Das Tempo der Datei wurde nicht übernommen</translation>
    </message>
    <message>
        <source>%1: no beat found, the project&apos;s tempo stays.</source>
        <translation type="unfinished">%1: kein Schlag gefunden, das Tempo des Projekts bleibt.</translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished">Tempo</translation>
    </message>
    <message>
        <source>Project tempo %1, from %2</source>
        <translation type="unfinished">Tempo des Projekts %1, aus %2</translation>
    </message>
    <message>
        <source>Reading %1</source>
        <translation type="unfinished">%1 wird gelesen</translation>
    </message>
    <message>
        <source>The tempo map was not taken</source>
        <translation type="unfinished">Die Tempokarte wurde nicht übernommen</translation>
    </message>
    <message>
        <source>Tempo map</source>
        <translation type="unfinished">Tempokarte</translation>
    </message>
    <message>
        <source>%1 tempos taken from %2</source>
        <translation type="unfinished">%1 Tempos aus %2 übernommen</translation>
    </message>
    <message>
        <source>The tempo map was taken, but not all of it</source>
        <translation type="unfinished">Die Tempokarte wurde übernommen, aber nicht ganz</translation>
    </message>
    <message>
        <source>Lead</source>
        <translation type="unfinished">Führen</translation>
    </message>
    <message>
        <source>%1 leads: %2, no beat misses by more than %3 ms</source>
        <translation type="unfinished">%1 führt: %2, keine Zählzeit liegt um mehr als %3 ms daneben</translation>
    </message>
    <message>
        <source>one tempo, %1 BPM</source>
        <translation type="unfinished">ein Tempo, %1 BPM</translation>
    </message>
    <message numerus="yes">
        <source>%n tempos</source>
        <translation type="unfinished">
            <numerusform>%n Tempo</numerusform>
            <numerusform>%n Tempos</numerusform>
        </translation>
    </message>
    <message>
        <source>The tempo is the project&apos;s own already.</source>
        <translation type="unfinished">Das Tempo gehört schon dem Projekt.</translation>
    </message>
    <message>
        <source>Let go</source>
        <translation type="unfinished">Loslassen</translation>
    </message>
    <message>
        <source>Nothing leads any more: the tempo stays, and is the project&apos;s own</source>
        <translation type="unfinished">Nichts führt mehr: das Tempo bleibt und gehört dem Projekt</translation>
    </message>
    <message>
        <source>Meet</source>
        <translation type="unfinished">Treffen</translation>
    </message>
    <message>
        <source>All meet at %1: none is strained more than %2 %</source>
        <translation type="unfinished">Alle treffen sich bei %1: keine ist um mehr als %2 % belastet</translation>
    </message>
    <message>
        <source> · one counts as half or double</source>
        <translation type="unfinished"> · eine zählt als halb oder doppelt</translation>
    </message>
    <message>
        <source> · %1 count as half or double</source>
        <translation type="unfinished"> · %1 zählen als halb oder doppelt</translation>
    </message>
</context>
<context>
    <name>app::Tightening</name>
    <message>
        <source>Tighten, in per cent</source>
        <translation type="unfinished">Straffen, in Prozent</translation>
    </message>
    <message>
        <source>How far hits are drawn to the grid that the recording plays: 0 % as played, 100 % exactly. Wheel: ±5, with Shift ±1.</source>
        <translation type="unfinished">Wie weit Schläge zum Raster gezogen werden, das die Aufnahme spielt: 0 % wie gespielt, 100 % genau. Rad: ±5, mit Umschalt ±1.</translation>
    </message>
    <message>
        <source>its own</source>
        <translation type="unfinished">sein eigenes</translation>
    </message>
    <message>
        <source>Whose feel hits are drawn to</source>
        <translation type="unfinished">Zu wessen Feel Schläge gezogen werden</translation>
    </message>
    <message>
        <source>“%1” is not a percentage.</source>
        <translation type="unfinished">„%1“ ist kein Prozentsatz.</translation>
    </message>
    <message>
        <source>Tighten</source>
        <translation type="unfinished">Straffen</translation>
    </message>
    <message>
        <source>Grid that hits are drawn to</source>
        <translation type="unfinished">Raster, zu dem Schläge gezogen werden</translation>
    </message>
    <message>
        <source>what it plays</source>
        <translation type="unfinished">was sie spielt</translation>
    </message>
    <message>
        <source>Tighten to</source>
        <translation type="unfinished">Straffen auf</translation>
    </message>
    <message>
        <source>Swing that hits are drawn to, in per cent</source>
        <translation type="unfinished">Swing, zu dem Schläge gezogen werden, in Prozent</translation>
    </message>
    <message>
        <source>Where the second of each pair falls: 50 % even, 66.7 % triplets. Empty: the recording&apos;s own, or that of the feel it takes.</source>
        <translation type="unfinished">Wohin der zweite von je zweien fällt: 50 % gerade, 66.7 % Triolen. Leer: der eigene der Aufnahme, oder der des übernommenen Feels.</translation>
    </message>
    <message>
        <source>Swing</source>
        <translation type="unfinished">Swing</translation>
    </message>
    <message>
        <source>Hits that are left alone, in milliseconds</source>
        <translation type="unfinished">Schläge, die in Ruhe gelassen werden, in Millisekunden</translation>
    </message>
    <message>
        <source>Hits that lie nearer than this stay where they were played</source>
        <translation type="unfinished">Schläge, die näher liegen als so, bleiben, wo sie gespielt wurden</translation>
    </message>
    <message>
        <source>“%1” is not a number of milliseconds.</source>
        <translation type="unfinished">„%1“ ist keine Zahl von Millisekunden.</translation>
    </message>
    <message>
        <source>Leave alone</source>
        <translation type="unfinished">In Ruhe lassen</translation>
    </message>
    <message>
        <source>Its own</source>
        <translation type="unfinished">Sein eigenes</translation>
    </message>
    <message>
        <source>Take the feel of</source>
        <translation type="unfinished">Das Feel übernehmen von</translation>
    </message>
    <message>
        <source>Keep this feel…</source>
        <translation type="unfinished">Dieses Feel behalten…</translation>
    </message>
    <message>
        <source>Take a feel</source>
        <translation type="unfinished">Ein Feel übernehmen</translation>
    </message>
    <message>
        <source>Keep this feel</source>
        <translation type="unfinished">Dieses Feel behalten</translation>
    </message>
    <message>
        <source>The name under which it can be taken again, in every project</source>
        <translation type="unfinished">Der Name, unter dem es in jedem Projekt wieder übernommen werden kann</translation>
    </message>
    <message>
        <source>The feel of %1 is kept as %2</source>
        <translation type="unfinished">Das Feel von %1 ist als %2 behalten</translation>
    </message>
    <message>
        <source>mixed</source>
        <translation type="unfinished">gemischt</translation>
    </message>
    <message>
        <source>Whose feel hits are drawn to. Its own: %1.</source>
        <translation type="unfinished">Zu wessen Feel Schläge gezogen werden. Sein eigenes: %1.</translation>
    </message>
    <message>
        <source>own</source>
        <translation type="unfinished">eigen</translation>
    </message>
    <message>
        <source>%1 ms</source>
        <translation type="unfinished">%1 ms</translation>
    </message>
    <message numerus="yes">
        <source>%n hits have no room to be drawn and stay as they were played; %1 are drawn</source>
        <translation type="unfinished">
            <numerusform>%n Schlag hat keinen Platz und bleibt, wie er gespielt wurde; %1 sind gezogen</numerusform>
            <numerusform>%n Schläge haben keinen Platz und bleiben, wie sie gespielt wurden; %1 sind gezogen</numerusform>
        </translation>
    </message>
    <message>
        <source>Hits that are left for being weaker, in per cent of the strongest</source>
        <translation type="unfinished">Schläge, die als schwächer in Ruhe gelassen werden, in Prozent des stärksten</translation>
    </message>
    <message>
        <source>Hits weaker than this, of the strongest, go along with their neighbours: ghost notes, say</source>
        <translation type="unfinished">Schläge, die schwächer sind als so, am stärksten gemessen, gehen mit ihren Nachbarn: Geisternoten etwa</translation>
    </message>
    <message>
        <source>Leave weaker</source>
        <translation type="unfinished">Schwächere lassen</translation>
    </message>
</context>
<context>
    <name>app::Together</name>
    <message>
        <source>Choose the port that the MIDI clock comes in by first: Preferences, Other programs.</source>
        <translation type="unfinished">Erst den Anschluss wählen, an dem die MIDI-Clock ankommt: Einstellungen, Andere Programme.</translation>
    </message>
    <message>
        <source>Looking for JACK</source>
        <translation type="unfinished">Suche JACK</translation>
    </message>
    <message>
        <source>JACK says when the project plays, at the project&apos;s tempo</source>
        <translation type="unfinished">JACK sagt, wann das Projekt spielt, im Tempo des Projekts</translation>
    </message>
    <message>
        <source>JACK says when the project plays, and where</source>
        <translation type="unfinished">JACK sagt, wann das Projekt spielt und wo</translation>
    </message>
    <message>
        <source>JACK does not lead</source>
        <translation type="unfinished">JACK führt nicht</translation>
    </message>
    <message>
        <source>Opening a MIDI port</source>
        <translation type="unfinished">Öffne einen MIDI-Anschluss</translation>
    </message>
    <message>
        <source>No MIDI comes in</source>
        <translation type="unfinished">Es kommt kein MIDI an</translation>
    </message>
    <message>
        <source>No MIDI goes out</source>
        <translation type="unfinished">Es geht kein MIDI hinaus</translation>
    </message>
    <message>
        <source>%1 has gone: the project goes by itself</source>
        <translation type="unfinished">%1 ist weg: das Projekt läuft von selbst</translation>
    </message>
    <message>
        <source>Tempo of %1</source>
        <translation type="unfinished">Tempo von %1</translation>
    </message>
    <message>
        <source>%1 leads: %2 BPM</source>
        <translation type="unfinished">%1 führt: %2 BPM</translation>
    </message>
    <message>
        <source>No MIDI clock comes in.</source>
        <translation type="unfinished">Es kommt keine MIDI-Clock an.</translation>
    </message>
    <message>
        <source>Tempo of MIDI</source>
        <translation type="unfinished">Tempo von MIDI</translation>
    </message>
    <message>
        <source>Project tempo %1 BPM, as the MIDI clock has it</source>
        <translation type="unfinished">Projekttempo %1 BPM, wie es die MIDI-Clock hat</translation>
    </message>
</context>
<context>
    <name>app::Transport</name>
    <message>
        <source>From the next bar line on at %1</source>
        <translation type="unfinished">Ab dem nächsten Taktstrich bei %1</translation>
    </message>
    <message>
        <source>At %1</source>
        <translation type="unfinished">Bei %1</translation>
    </message>
    <message>
        <source>%1 · %2 · %3</source>
        <translation type="unfinished">%1 · %2 · %3</translation>
    </message>
    <message>
        <source>There are no sections yet: double click in their lane makes one.</source>
        <translation type="unfinished">Noch gibt es keine Abschnitte: ein Doppelklick in ihrer Leiste macht einen.</translation>
    </message>
    <message>
        <source>There are %1 sections.</source>
        <translation type="unfinished">Es gibt %1 Abschnitte.</translation>
    </message>
    <message>
        <source>%1 leads: it says when the project plays, and where</source>
        <translation type="unfinished">%1 führt: es sagt, wann das Projekt spielt und wo</translation>
    </message>
</context>
<context>
    <name>core</name>
    <message>
        <source>%1 could not be written: %2.</source>
        <translation type="unfinished">%1 konnte nicht geschrieben werden: %2.</translation>
    </message>
    <message>
        <source>the disk is full</source>
        <translation type="unfinished">der Datenträger ist voll</translation>
    </message>
    <message>
        <source>you may not write there</source>
        <translation type="unfinished">dort darf nicht geschrieben werden</translation>
    </message>
    <message>
        <source>the folder is not there</source>
        <translation type="unfinished">den Ordner gibt es nicht</translation>
    </message>
    <message>
        <source>a file of that name is there already</source>
        <translation type="unfinished">eine Datei dieses Namens gibt es schon</translation>
    </message>
    <message>
        <source>the name is too long</source>
        <translation type="unfinished">der Name ist zu lang</translation>
    </message>
    <message>
        <source>the disk refused it</source>
        <translation type="unfinished">der Datenträger hat es verweigert</translation>
    </message>
    <message>
        <source>%1 has %2 in other places (hard links): %3 what it was before.</source>
        <translation type="unfinished">%1 hat %2 an anderen Orten (harte Verweise): %3, was vorher darin war.</translation>
    </message>
    <message>
        <source>another name</source>
        <translation type="unfinished">einen weiteren Namen</translation>
    </message>
    <message>
        <source>%1 other names</source>
        <translation type="unfinished">%1 weitere Namen</translation>
    </message>
    <message>
        <source>that one keeps</source>
        <translation type="unfinished">dieser behält</translation>
    </message>
    <message>
        <source>those keep</source>
        <translation type="unfinished">diese behalten</translation>
    </message>
    <message>
        <source>%1 could not be read: %2.</source>
        <translation type="unfinished">%1 konnte nicht gelesen werden: %2.</translation>
    </message>
    <message>
        <source>there is no such file</source>
        <translation type="unfinished">eine solche Datei gibt es nicht</translation>
    </message>
    <message>
        <source>it is not a regular file</source>
        <translation type="unfinished">es ist keine gewöhnliche Datei</translation>
    </message>
    <message>
        <source>it has %1 MB, and no more than %2 MB are read</source>
        <translation type="unfinished">sie hat %1 MB, und mehr als %2 MB werden nicht gelesen</translation>
    </message>
    <message>
        <source>you may not read this file</source>
        <translation type="unfinished">diese Datei darf nicht gelesen werden</translation>
    </message>
    <message>
        <source>A beat map needs at least two pins.</source>
        <translation type="unfinished">Eine Karte der Zählzeiten braucht mindestens zwei Nadeln.</translation>
    </message>
    <message>
        <source>A pin must have a time and a beat.</source>
        <translation type="unfinished">Eine Nadel braucht eine Zeit und eine Zählzeit.</translation>
    </message>
    <message>
        <source>Pins must each lie after the one before, in the recording and in beats.</source>
        <translation type="unfinished">Jede Nadel muss hinter der vorigen liegen, in der Aufnahme und in Zählzeiten.</translation>
    </message>
    <message>
        <source>“%1” is not a metre. Type beats and unit, such as 4/4, 3/4 or 6/8.</source>
        <translation type="unfinished">„%1“ ist keine Taktart. Zählzeiten und Notenwert eingeben, etwa 4/4, 3/4 oder 6/8.</translation>
    </message>
    <message>
        <source>A metre map begins at bar 1.</source>
        <translation type="unfinished">Eine Karte der Taktarten beginnt bei Takt 1.</translation>
    </message>
    <message>
        <source>%1/%2 at bar %3 is not a metre.</source>
        <translation type="unfinished">%1/%2 in Takt %3 ist keine Taktart.</translation>
    </message>
    <message>
        <source>The points of a metre map must each lie after the one before.</source>
        <translation type="unfinished">Jeder Punkt einer Karte der Taktarten muss hinter dem vorigen liegen.</translation>
    </message>
    <message>
        <source>Tempos lie between 20 and 400 BPM.</source>
        <translation type="unfinished">Tempos liegen zwischen 20 und 400 BPM.</translation>
    </message>
    <message>
        <source>“%1” is not a place: type bar, beat and part, such as 7.3 or 7.3.24.</source>
        <translation type="unfinished">„%1“ ist keine Stelle: Takt, Zählzeit und Teil eingeben, etwa 7.3 oder 7.3.24.</translation>
    </message>
    <message>
        <source>“%1” is not a tempo. Type a number of beats a minute, such as 104 or 97.5.</source>
        <translation type="unfinished">„%1“ ist kein Tempo. Eine Zahl von Schlägen in der Minute eingeben, etwa 104 oder 97.5.</translation>
    </message>
    <message>
        <source>A tempo lies between %1 and %2 BPM; %3 does not.</source>
        <translation type="unfinished">Ein Tempo liegt zwischen %1 und %2 BPM; %3 nicht.</translation>
    </message>
    <message>
        <source>A tempo map needs at least one point.</source>
        <translation type="unfinished">Eine Tempokarte braucht mindestens einen Punkt.</translation>
    </message>
    <message>
        <source>A tempo map begins at beat 0.</source>
        <translation type="unfinished">Eine Tempokarte beginnt bei Zählzeit 0.</translation>
    </message>
    <message>
        <source>The tempo map has %1 BPM at beat %2; tempos lie between 20 and 400 BPM.</source>
        <translation type="unfinished">Die Tempokarte hat %1 BPM bei Zählzeit %2; Tempos liegen zwischen 20 und 400 BPM.</translation>
    </message>
    <message>
        <source>The points of a tempo map must each lie after the one before.</source>
        <translation type="unfinished">Jeder Punkt einer Tempokarte muss hinter dem vorigen liegen.</translation>
    </message>
    <message>
        <source>A time map needs at least two points.</source>
        <translation type="unfinished">Eine Zeitkarte braucht mindestens zwei Punkte.</translation>
    </message>
    <message>
        <source>A time map&apos;s output begins at frame 0.</source>
        <translation type="unfinished">Die Ausgabe einer Zeitkarte beginnt bei Abtastwert 0.</translation>
    </message>
    <message>
        <source>A time map must run forwards, in the source and in the output.</source>
        <translation type="unfinished">Eine Zeitkarte muss vorwärts laufen, in der Quelle und in der Ausgabe.</translation>
    </message>
    <message>
        <source>That would stretch to %1 % of the length; %2 to %3 % can be done.</source>
        <translation type="unfinished">Das würde auf %1 % der Länge dehnen; möglich sind %2 bis %3 %.</translation>
    </message>
    <message>
        <source>you may not look into it</source>
        <translation type="unfinished">hineinzusehen ist nicht erlaubt</translation>
    </message>
    <message>
        <source>it is not there</source>
        <translation type="unfinished">es ist nicht da</translation>
    </message>
    <message>
        <source>it is no folder</source>
        <translation type="unfinished">es ist kein Ordner</translation>
    </message>
    <message>
        <source>%1 could not be listed: %2.</source>
        <translation type="unfinished">%1 konnte nicht aufgelistet werden: %2.</translation>
    </message>
    <message>
        <source>%1: its chunk %2 is too long.</source>
        <translation type="unfinished">%1: der Abschnitt %2 der Datei ist zu lang.</translation>
    </message>
    <message>
        <source>it was cut off</source>
        <translation type="unfinished">sie ist abgeschnitten</translation>
    </message>
    <message>
        <source>%1 could not be written: it would become larger than 4 GB, which such files cannot say.</source>
        <translation type="unfinished">%1 konnte nicht geschrieben werden: die Datei würde größer als 4 GB, was solche Dateien nicht ausdrücken können.</translation>
    </message>
    <message>
        <source>%1 was changed while it was read.</source>
        <translation type="unfinished">%1 wurde verändert, während es gelesen wurde.</translation>
    </message>
    <message>
        <source>it is not an audio file of a kind that is known here, or it is damaged</source>
        <translation type="unfinished">es ist keine Audiodatei einer hier bekannten Art, oder sie ist beschädigt</translation>
    </message>
    <message>
        <source>Ogg Opus</source>
        <translation type="unfinished">Ogg Opus</translation>
    </message>
    <message>
        <source>Ogg Vorbis</source>
        <translation type="unfinished">Ogg Vorbis</translation>
    </message>
    <message>
        <source>the file was cut off</source>
        <translation type="unfinished">die Datei ist abgeschnitten</translation>
    </message>
    <message>
        <source>it was joined from parts of different rates or channels, and only the first of them can be used</source>
        <translation type="unfinished">sie ist aus Teilen mit verschiedenen Raten oder Kanälen zusammengesetzt, und nur der erste ist brauchbar</translation>
    </message>
    <message>
        <source>FLAC holds no rate of %1 Hz: above 65535 it must be a multiple of ten</source>
        <translation type="unfinished">FLAC fasst keine Rate von %1 Hz: über 65535 muss sie ein Vielfaches von zehn sein</translation>
    </message>
    <message>
        <source>Ogg Vorbis reaches up to 200000 Hz, and this is at %1 Hz</source>
        <translation type="unfinished">Ogg Vorbis reicht bis 200000 Hz, und dies hat %1 Hz</translation>
    </message>
    <message>
        <source>%1 holds no rate of %2 Hz; the next that it can is %3 Hz</source>
        <translation type="unfinished">%1 fasst keine Rate von %2 Hz; die nächste mögliche ist %3 Hz</translation>
    </message>
    <message>
        <source>its ID3 tag is damaged</source>
        <translation type="unfinished">ihr ID3-Tag ist beschädigt</translation>
    </message>
    <message>
        <source>its ID3 tag is of a version that is not known here</source>
        <translation type="unfinished">ihr ID3-Tag hat eine hier unbekannte Version</translation>
    </message>
    <message>
        <source>no number</source>
        <translation type="unfinished">keine Zahl</translation>
    </message>
    <message>
        <source>the file was cut off or is damaged</source>
        <translation type="unfinished">die Datei ist abgeschnitten oder beschädigt</translation>
    </message>
    <message>
        <source>the MP3 decoder could not be started</source>
        <translation type="unfinished">der MP3-Dekoder konnte nicht gestartet werden</translation>
    </message>
    <message>
        <source>it is a folder</source>
        <translation type="unfinished">es ist ein Ordner</translation>
    </message>
    <message>
        <source>the file is empty</source>
        <translation type="unfinished">die Datei ist leer</translation>
    </message>
    <message>
        <source>%1 ms</source>
        <translation type="unfinished">%1 ms</translation>
    </message>
    <message>
        <source>%1 min</source>
        <translation type="unfinished">%1 min</translation>
    </message>
    <message>
        <source>it has %1 channels, and only mono and stereo can be used</source>
        <translation type="unfinished">sie hat %1 Kanäle, und nur Mono und Stereo sind brauchbar</translation>
    </message>
    <message>
        <source>its sample rate of %1 Hz is outside %2 to %3 Hz</source>
        <translation type="unfinished">ihre Abtastrate von %1 Hz liegt außerhalb von %2 bis %3 Hz</translation>
    </message>
    <message>
        <source>it is %1 long, and this kind of file may be %2 at most</source>
        <translation type="unfinished">sie ist %1 lang, und diese Art von Datei darf höchstens %2 lang sein</translation>
    </message>
    <message>
        <source>its samples reach %1, where full scale is 1: they were written in another scale</source>
        <translation type="unfinished">ihre Abtastwerte reichen bis %1, wo Vollaussteuerung 1 ist: sie wurden in einem anderen Maß geschrieben</translation>
    </message>
    <message>
        <source>there is no sound in it, or it is damaged</source>
        <translation type="unfinished">es ist kein Ton darin, oder sie ist beschädigt</translation>
    </message>
    <message>
        <source>%1 ends early: %2, and %3 could be read.</source>
        <translation type="unfinished">%1 endet zu früh: %2, und %3 konnten gelesen werden.</translation>
    </message>
    <message>
        <source>%1 ends early: %2 of %3 could be read.</source>
        <translation type="unfinished">%1 endet zu früh: %2 von %3 konnten gelesen werden.</translation>
    </message>
    <message>
        <source>none of its samples is a number</source>
        <translation type="unfinished">keiner ihrer Abtastwerte ist eine Zahl</translation>
    </message>
    <message>
        <source>%1 holds one sample that is no number; it was made silent.</source>
        <translation type="unfinished">%1 enthält einen Abtastwert, der keine Zahl ist; er wurde stumm gemacht.</translation>
    </message>
    <message>
        <source>%1 holds %2 samples that are no numbers; they were made silent.</source>
        <translation type="unfinished">%1 enthält %2 Abtastwerte, die keine Zahlen sind; sie wurden stumm gemacht.</translation>
    </message>
    <message>
        <source>there is not enough memory for it</source>
        <translation type="unfinished">dafür reicht der Speicher nicht</translation>
    </message>
    <message>
        <source>The sample rate could not be converted from %1 to %2 Hz: %3.</source>
        <translation type="unfinished">Die Abtastrate konnte nicht von %1 in %2 Hz umgewandelt werden: %3.</translation>
    </message>
    <message>
        <source>it is damaged</source>
        <translation type="unfinished">sie ist beschädigt</translation>
    </message>
    <message>
        <source>there is no room left in its comments</source>
        <translation type="unfinished">in ihren Kommentaren ist kein Platz mehr</translation>
    </message>
    <message>
        <source>its comments are damaged</source>
        <translation type="unfinished">ihre Kommentare sind beschädigt</translation>
    </message>
    <message>
        <source>files of this size (RF64) hold no tags</source>
        <translation type="unfinished">Dateien dieser Größe (RF64) enthalten keine Tags</translation>
    </message>
    <message>
        <source>files of this kind (RIFX) hold no tags</source>
        <translation type="unfinished">Dateien dieser Art (RIFX) enthalten keine Tags</translation>
    </message>
    <message>
        <source>files of this kind hold no tags here</source>
        <translation type="unfinished">Dateien dieser Art enthalten hier keine Tags</translation>
    </message>
    <message>
        <source>it was joined from several parts</source>
        <translation type="unfinished">sie ist aus mehreren Teilen zusammengesetzt</translation>
    </message>
    <message>
        <source>%1 was not written into: %2.</source>
        <translation type="unfinished">In %1 wurde nicht geschrieben: %2.</translation>
    </message>
    <message>
        <source>that would have changed its audio</source>
        <translation type="unfinished">das hätte den Ton verändert</translation>
    </message>
    <message>
        <source>what was written could not be read back</source>
        <translation type="unfinished">was geschrieben wurde, konnte nicht zurückgelesen werden</translation>
    </message>
    <message>
        <source>The tempo could not be written into %1.</source>
        <translation type="unfinished">Das Tempo konnte nicht in %1 geschrieben werden.</translation>
    </message>
    <message>
        <source>The tempo written into %1 could not be read back.</source>
        <translation type="unfinished">Das in %1 geschriebene Tempo konnte nicht zurückgelesen werden.</translation>
    </message>
    <message>
        <source>its name must end in .wav, .aiff, .flac, .ogg, .opus or .mp3</source>
        <translation type="unfinished">ihr Name muss auf .wav, .aiff, .flac, .ogg, .opus oder .mp3 enden</translation>
    </message>
    <message>
        <source>AIFF holds no more than 4 GB; WAV does</source>
        <translation type="unfinished">AIFF fasst nicht mehr als 4 GB; WAV schon</translation>
    </message>
    <message>
        <source>this kind of file takes no %1 channels at %2 Hz</source>
        <translation type="unfinished">diese Art von Datei nimmt keine %1 Kanäle bei %2 Hz</translation>
    </message>
    <message>
        <source>its tempo tag could not be written</source>
        <translation type="unfinished">ihr Tempo-Tag konnte nicht geschrieben werden</translation>
    </message>
    <message>
        <source>only %1 of its %2 hits lie on its beats</source>
        <translation type="unfinished">nur %1 von %2 Schlägen liegen auf den Zählzeiten</translation>
    </message>
    <message>
        <source>its hits lie anywhere between its beats</source>
        <translation type="unfinished">die Schläge liegen irgendwo zwischen den Zählzeiten</translation>
    </message>
    <message>
        <source>1/8 triplets</source>
        <translation type="unfinished">1/8-Triolen</translation>
    </message>
    <message>
        <source>1/16 triplets</source>
        <translation type="unfinished">1/16-Triolen</translation>
    </message>
    <message>
        <source>one hit</source>
        <translation type="unfinished">ein Schlag</translation>
    </message>
    <message>
        <source>no beat</source>
        <translation type="unfinished">kein Schlag</translation>
    </message>
    <message>
        <source>one hit, no beat</source>
        <translation type="unfinished">ein einzelner Schlag, kein Puls</translation>
    </message>
    <message>
        <source>confidence %1</source>
        <translation type="unfinished">Sicherheit %1</translation>
    </message>
    <message>
        <source>played free</source>
        <translation type="unfinished">frei gespielt</translation>
    </message>
    <message>
        <source>measured %1</source>
        <translation type="unfinished">gemessen %1</translation>
    </message>
    <message>
        <source>beat from %1:%2</source>
        <translation type="unfinished">Puls ab %1:%2</translation>
    </message>
    <message>
        <source>played free: no one length of a beat</source>
        <translation type="unfinished">frei gespielt: die Zählzeiten sind nicht gleich lang</translation>
    </message>
    <message>
        <source>no whole number of beats fits</source>
        <translation type="unfinished">keine ganze Zahl von Zählzeiten passt</translation>
    </message>
    <message>
        <source>exact</source>
        <translation type="unfinished">genau</translation>
    </message>
    <message>
        <source>nearly</source>
        <translation type="unfinished">beinahe</translation>
    </message>
    <message>
        <source>“%1” in the name</source>
        <translation type="unfinished">„%1“ im Namen</translation>
    </message>
    <message>
        <source>“%1” in the folder&apos;s name</source>
        <translation type="unfinished">„%1“ im Namen des Ordners</translation>
    </message>
    <message>
        <source>nothing in the name</source>
        <translation type="unfinished">nichts im Namen</translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>name</source>
        <translation type="unfinished">Name</translation>
    </message>
    <message>
        <source>Tag</source>
        <translation type="unfinished">Tag</translation>
    </message>
    <message>
        <source>tag</source>
        <translation type="unfinished">Tag</translation>
    </message>
    <message>
        <source>Heard</source>
        <translation type="unfinished">Gehört</translation>
    </message>
    <message>
        <source>heard</source>
        <translation type="unfinished">gehört</translation>
    </message>
    <message>
        <source>Length</source>
        <translation type="unfinished">Länge</translation>
    </message>
    <message>
        <source>length</source>
        <translation type="unfinished">Länge</translation>
    </message>
    <message>
        <source>Tapped</source>
        <translation type="unfinished">Getippt</translation>
    </message>
    <message>
        <source>tapped</source>
        <translation type="unfinished">getippt</translation>
    </message>
    <message>
        <source>Typed</source>
        <translation type="unfinished">Eingegeben</translation>
    </message>
    <message>
        <source>typed</source>
        <translation type="unfinished">eingegeben</translation>
    </message>
    <message>
        <source>you said so</source>
        <translation type="unfinished">so gesagt</translation>
    </message>
    <message>
        <source>It is too long to be kept in memory for listening, and there is no room for it in %1: %2.</source>
        <translation type="unfinished">Es ist zu lang, um zum Hinhören im Speicher zu bleiben, und in %1 ist kein Platz dafür: %2.</translation>
    </message>
    <message>
        <source>The sample rate of %1 Hz could not be converted for listening.</source>
        <translation type="unfinished">Die Abtastrate von %1 Hz konnte zum Hinhören nicht umgewandelt werden.</translation>
    </message>
    <message>
        <source>%1 taps · ±%2</source>
        <translation type="unfinished">%1 Mal getippt · ±%2</translation>
    </message>
    <message>
        <source>half of what is heard</source>
        <translation type="unfinished">die Hälfte des Gehörten</translation>
    </message>
    <message>
        <source>twice what is heard</source>
        <translation type="unfinished">das Doppelte des Gehörten</translation>
    </message>
    <message>
        <source>an entry stands in the place of its number</source>
        <translation type="unfinished">jeder Eintrag steht am Platz seiner Nummer</translation>
    </message>
    <message>
        <source>There is not enough memory to stretch this.</source>
        <translation type="unfinished">Der Speicher reicht nicht, um dies zu dehnen.</translation>
    </message>
    <message>
        <source>Stretch and transposition together go beyond what can be done.</source>
        <translation type="unfinished">Dehnung und Transposition zusammen gehen über das Mögliche hinaus.</translation>
    </message>
    <message>
        <source>The result would be %1 minutes long and need %2 GB of memory.</source>
        <translation type="unfinished">Das Ergebnis wäre %1 Minuten lang und brauchte %2 GB Speicher.</translation>
    </message>
    <message>
        <source>A transposition lies between −24 and 24 semitones.</source>
        <translation type="unfinished">Eine Transposition liegt zwischen −24 und 24 Halbtönen.</translation>
    </message>
    <message>
        <source>There is no sound to stretch.</source>
        <translation type="unfinished">Es gibt keinen Ton zu dehnen.</translation>
    </message>
    <message>
        <source>The result would be %1 hours long; %2 can be done.</source>
        <translation type="unfinished">Das Ergebnis wäre %1 Stunden lang; möglich sind %2.</translation>
    </message>
    <message>
        <source>No clip is selected.</source>
        <translation type="unfinished">Kein Clip ist ausgewählt.</translation>
    </message>
    <message>
        <source>That clip is no longer in the project.</source>
        <translation type="unfinished">Dieser Clip ist nicht mehr im Projekt.</translation>
    </message>
    <message>
        <source>%1 is locked here; unlock the clip to change it.</source>
        <translation type="unfinished">%1 ist hier gesperrt; den Clip entsperren, um ihn zu ändern.</translation>
    </message>
    <message>
        <source>%1 of the %2 clips %3 locked; unlock them to change them.</source>
        <translation type="unfinished">%1 von %2 Clips %3 gesperrt; sie entsperren, um sie zu ändern.</translation>
    </message>
    <message>
        <source>is</source>
        <translation type="unfinished">ist</translation>
    </message>
    <message>
        <source>are</source>
        <translation type="unfinished">sind</translation>
    </message>
    <message>
        <source>That track is no longer in the project.</source>
        <translation type="unfinished">Diese Spur ist nicht mehr im Projekt.</translation>
    </message>
    <message>
        <source>That source is no longer in the project.</source>
        <translation type="unfinished">Diese Quelle ist nicht mehr im Projekt.</translation>
    </message>
    <message>
        <source>%1 lies between %2 and %3 %4; %5 does not.</source>
        <translation type="unfinished">%1 liegt zwischen %2 und %3 %4; %5 nicht.</translation>
    </message>
    <message>
        <source>These clips count as their recordings do already.</source>
        <translation type="unfinished">Diese Clips zählen schon wie ihre Aufnahmen.</translation>
    </message>
    <message>
        <source>shape of tempo</source>
        <translation type="unfinished">Verlauf des Tempos</translation>
    </message>
    <message>
        <source>way to snap</source>
        <translation type="unfinished">Art des Einrastens</translation>
    </message>
    <message>
        <source>time rule</source>
        <translation type="unfinished">Zeitregel</translation>
    </message>
    <message>
        <source>way to normalise</source>
        <translation type="unfinished">Art des Angleichens</translation>
    </message>
    <message>
        <source>choice of channels</source>
        <translation type="unfinished">Wahl der Kanäle</translation>
    </message>
    <message>
        <source>shape of fade</source>
        <translation type="unfinished">Verlauf der Blende</translation>
    </message>
    <message>
        <source>degree of straightness</source>
        <translation type="unfinished">Grad der Geradheit</translation>
    </message>
    <message>
        <source>way of playing</source>
        <translation type="unfinished">Spielweise</translation>
    </message>
    <message>
        <source>grid of a feel</source>
        <translation type="unfinished">Raster eines Feels</translation>
    </message>
    <message>
        <source>way to lead</source>
        <translation type="unfinished">Art zu führen</translation>
    </message>
    <message>
        <source>a reading&apos;s tempo is out of range</source>
        <translation type="unfinished">das Tempo einer Lesung liegt außerhalb des Bereichs</translation>
    </message>
    <message>
        <source>the pins of a reading do not follow each other</source>
        <translation type="unfinished">die Nadeln einer Lesung folgen nicht aufeinander</translation>
    </message>
    <message>
        <source>“listen” is no range of tempos</source>
        <translation type="unfinished">„listen“ ist kein Bereich von Tempos</translation>
    </message>
    <message>
        <source>the marks of a source are out of range</source>
        <translation type="unfinished">die Marken einer Quelle liegen außerhalb des Bereichs</translation>
    </message>
    <message>
        <source>the notes on pins do not follow each other</source>
        <translation type="unfinished">die Notizen an Nadeln folgen nicht aufeinander</translation>
    </message>
    <message>
        <source>a note on a pin has no pin</source>
        <translation type="unfinished">eine Notiz an einer Nadel hat keine Nadel</translation>
    </message>
    <message>
        <source>“beatUnit” is out of range</source>
        <translation type="unfinished">„beatUnit“ liegt außerhalb des Bereichs</translation>
    </message>
    <message>
        <source>the places of a feel do not follow each other in its bar</source>
        <translation type="unfinished">die Stellen eines Feels folgen im Takt nicht aufeinander</translation>
    </message>
    <message>
        <source>the tempo that a clip counts as is out of range</source>
        <translation type="unfinished">das Tempo, als das ein Clip zählt, liegt außerhalb des Bereichs</translation>
    </message>
    <message>
        <source>a clip&apos;s tempo is out of range</source>
        <translation type="unfinished">das Tempo eines Clips liegt außerhalb des Bereichs</translation>
    </message>
    <message>
        <source>a clip&apos;s turn is out of range</source>
        <translation type="unfinished">die Drehung eines Clips liegt außerhalb des Bereichs</translation>
    </message>
    <message>
        <source>a clip&apos;s times are out of range</source>
        <translation type="unfinished">die Zeiten eines Clips liegen außerhalb des Bereichs</translation>
    </message>
    <message>
        <source>the loop range is out of range</source>
        <translation type="unfinished">der Schleifenbereich liegt außerhalb des Möglichen</translation>
    </message>
    <message>
        <source>the sections do not follow each other</source>
        <translation type="unfinished">die Abschnitte folgen nicht aufeinander</translation>
    </message>
    <message>
        <source>A clip&apos;s source is no longer in the project.</source>
        <translation type="unfinished">Die Quelle eines Clips ist nicht mehr im Projekt.</translation>
    </message>
    <message>
        <source>A clip loops up to %1 times.</source>
        <translation type="unfinished">Ein Clip läuft höchstens %1 Mal im Kreis.</translation>
    </message>
    <message>
        <source>That would be more than 20000 clips.</source>
        <translation type="unfinished">Das wären mehr als 20000 Clips.</translation>
    </message>
    <message>
        <source>None of these clips goes on across that place.</source>
        <translation type="unfinished">Keiner dieser Clips geht über diese Stelle hinweg.</translation>
    </message>
    <message>
        <source>A clip is cut into 2 to 20000 parts.</source>
        <translation type="unfinished">Ein Clip wird in 2 bis 20000 Teile geschnitten.</translation>
    </message>
    <message>
        <source>A clip cannot be trimmed by that.</source>
        <translation type="unfinished">Um so viel kann ein Clip nicht gekürzt werden.</translation>
    </message>
    <message>
        <source>Nothing of %1 would be left: a clip lasts 5 ms or more.</source>
        <translation type="unfinished">Von %1 bliebe nichts übrig: ein Clip dauert mindestens 5 ms.</translation>
    </message>
    <message>
        <source>%1 is silent where this clip plays it.</source>
        <translation type="unfinished">%1 ist still, wo dieser Clip es spielt.</translation>
    </message>
    <message>
        <source>A clip ends after it begins.</source>
        <translation type="unfinished">Ein Clip endet nach seinem Beginn.</translation>
    </message>
    <message>
        <source>That is too short to loop.</source>
        <translation type="unfinished">Das ist zu kurz für eine Schleife.</translation>
    </message>
    <message>
        <source>A number of repeats</source>
        <translation type="unfinished">Eine Zahl von Wiederholungen</translation>
    </message>
    <message>
        <source>times</source>
        <translation type="unfinished">Mal</translation>
    </message>
    <message>
        <source>A loop ends after it begins.</source>
        <translation type="unfinished">Eine Schleife endet nach ihrem Beginn.</translation>
    </message>
    <message>
        <source>%1 has no beats to count in.</source>
        <translation type="unfinished">%1 hat keine Zählzeiten zum Zählen.</translation>
    </message>
    <message>
        <source>%1 has %2 beats; the loop lies within them.</source>
        <translation type="unfinished">%1 hat %2 Zählzeiten; die Schleife liegt darin.</translation>
    </message>
    <message>
        <source>Nothing of %1 is marked.</source>
        <translation type="unfinished">Von %1 ist nichts markiert.</translation>
    </message>
    <message>
        <source>%1 has no such beat to begin with.</source>
        <translation type="unfinished">%1 hat keine solche Zählzeit für den Anfang.</translation>
    </message>
    <message>
        <source>A crossing</source>
        <translation type="unfinished">Eine Überblendung</translation>
    </message>
    <message>
        <source>No two of these clips touch with sound beyond their edges to cross over with.</source>
        <translation type="unfinished">Keine zwei dieser Clips berühren sich und haben Ton jenseits ihrer Kanten, um überzublenden.</translation>
    </message>
    <message>
        <source>A clip cannot lie that far from the beginning.</source>
        <translation type="unfinished">So weit vom Anfang kann ein Clip nicht liegen.</translation>
    </message>
    <message>
        <source>A clip cannot be moved by that.</source>
        <translation type="unfinished">Um so viel kann ein Clip nicht verschoben werden.</translation>
    </message>
    <message>
        <source>There is no track there.</source>
        <translation type="unfinished">Dort ist keine Spur.</translation>
    </message>
    <message>
        <source>A sensitivity</source>
        <translation type="unfinished">Eine Empfindlichkeit</translation>
    </message>
    <message>
        <source>Not every clip&apos;s level was measured.</source>
        <translation type="unfinished">Nicht von jedem Clip wurde der Pegel gemessen.</translation>
    </message>
    <message>
        <source>A name has up to 1000 bytes.</source>
        <translation type="unfinished">Ein Name hat höchstens 1000 Bytes.</translation>
    </message>
    <message>
        <source>A transposition</source>
        <translation type="unfinished">Eine Transposition</translation>
    </message>
    <message>
        <source>semitones</source>
        <translation type="unfinished">Halbtönen</translation>
    </message>
    <message>
        <source>A turn</source>
        <translation type="unfinished">Eine Drehung</translation>
    </message>
    <message>
        <source>A gain</source>
        <translation type="unfinished">Ein Pegel</translation>
    </message>
    <message>
        <source>A fade</source>
        <translation type="unfinished">Eine Blende</translation>
    </message>
    <message>
        <source>Clips of one track can be put in another order; these lie on several.</source>
        <translation type="unfinished">Clips einer Spur lassen sich umordnen; diese liegen auf mehreren.</translation>
    </message>
    <message>
        <source>That is no order of these clips.</source>
        <translation type="unfinished">Das ist keine Reihenfolge dieser Clips.</translation>
    </message>
    <message>
        <source>Nothing was copied.</source>
        <translation type="unfinished">Es wurde nichts kopiert.</translation>
    </message>
    <message>
        <source>The sources of what was copied are no longer in the project.</source>
        <translation type="unfinished">Die Quellen des Kopierten sind nicht mehr im Projekt.</translation>
    </message>
    <message>
        <source>There is no pin on that beat.</source>
        <translation type="unfinished">Auf dieser Zählzeit steckt keine Nadel.</translation>
    </message>
    <message>
        <source>The pin on beat %1 is locked; unlock it to move it.</source>
        <translation type="unfinished">Die Nadel auf Zählzeit %1 ist gesperrt; sie entsperren, um sie zu verschieben.</translation>
    </message>
    <message>
        <source>Between its beats %1 and %2 %3 would run at %4 BPM; tempos lie between %5 and %6.</source>
        <translation type="unfinished">Zwischen den Zählzeiten %1 und %2 liefe %3 mit %4 BPM; Tempos liegen zwischen %5 und %6.</translation>
    </message>
    <message>
        <source>Between its beats %1 and %2 %3 would be stretched to %4 %; it goes from 25 to 400.</source>
        <translation type="unfinished">Zwischen den Zählzeiten %1 und %2 würde %3 auf %4 % gedehnt; möglich sind 25 bis 400.</translation>
    </message>
    <message>
        <source>%1 has no beats to pin; say its tempo first.</source>
        <translation type="unfinished">%1 hat keine Zählzeiten zum Stecken; zuerst sein Tempo sagen.</translation>
    </message>
    <message>
        <source>Pins cannot cross: each lies after the one before, in the recording and in beats.</source>
        <translation type="unfinished">Nadeln können sich nicht kreuzen: jede liegt hinter der vorigen, in der Aufnahme und in Zählzeiten.</translation>
    </message>
    <message>
        <source>A pin lies within the recording&apos;s %1 s.</source>
        <translation type="unfinished">Eine Nadel liegt innerhalb der %1 s der Aufnahme.</translation>
    </message>
    <message>
        <source>There is a pin on beat %1 already.</source>
        <translation type="unfinished">Auf Zählzeit %1 steckt schon eine Nadel.</translation>
    </message>
    <message>
        <source>That name is too long.</source>
        <translation type="unfinished">Dieser Name ist zu lang.</translation>
    </message>
    <message>
        <source>Pick two pins or more: what lies between them is laid straight.</source>
        <translation type="unfinished">Zwei Nadeln oder mehr wählen: was dazwischen liegt, wird gerade gelegt.</translation>
    </message>
    <message>
        <source>That is the last pin; there is nothing after it to lay straight.</source>
        <translation type="unfinished">Das ist die letzte Nadel; dahinter ist nichts gerade zu legen.</translation>
    </message>
    <message>
        <source>%1 has no reading in use to go back to.</source>
        <translation type="unfinished">%1 hat keine benutzte Lesung, zu der es zurückgeht.</translation>
    </message>
    <message>
        <source>by ear</source>
        <translation type="unfinished">nach Gehör</translation>
    </message>
    <message>
        <source>How strictly a recording follows</source>
        <translation type="unfinished">Wie streng eine Aufnahme folgt,</translation>
    </message>
    <message>
        <source>A bar of a recording has 2 to 12 beats, or is one of 6/8, 7/8, 9/8 and 12/8.</source>
        <translation type="unfinished">Ein Takt einer Aufnahme hat 2 bis 12 Zählzeiten oder ist ein 6/8, 7/8, 9/8 oder 12/8.</translation>
    </message>
    <message>
        <source>The first downbeat of %1 must lie within its %2 s.</source>
        <translation type="unfinished">Die erste Eins von %1 muss innerhalb seiner %2 s liegen.</translation>
    </message>
    <message>
        <source>%1 has no tempo yet; its first downbeat needs one.</source>
        <translation type="unfinished">%1 hat noch kein Tempo; seine erste Eins braucht eines.</translation>
    </message>
    <message>
        <source>An introduction has 0 to 1000 bars.</source>
        <translation type="unfinished">Ein Vorspiel hat 0 bis 1000 Takte.</translation>
    </message>
    <message>
        <source>%1 begins less than %2 bars before that.</source>
        <translation type="unfinished">%1 beginnt weniger als %2 Takte davor.</translation>
    </message>
    <message>
        <source>%1 cannot have a tempo of %2 BPM; tempos lie between %3 and %4.</source>
        <translation type="unfinished">%1 kann kein Tempo von %2 BPM haben; Tempos liegen zwischen %3 und %4.</translation>
    </message>
    <message>
        <source>tapped to the recording</source>
        <translation type="unfinished">zur Aufnahme getippt</translation>
    </message>
    <message>
        <source>%1 has no tempo from that reading.</source>
        <translation type="unfinished">%1 hat aus dieser Lesung kein Tempo.</translation>
    </message>
    <message>
        <source>%1 needs at least one beat.</source>
        <translation type="unfinished">%1 braucht mindestens eine Zählzeit.</translation>
    </message>
    <message>
        <source>%1 beats in %2 s</source>
        <translation type="unfinished">%1 Zählzeiten in %2 s</translation>
    </message>
    <message>
        <source>The marks of %1 must lie within its %2 s, one after the other.</source>
        <translation type="unfinished">Die Marken von %1 müssen innerhalb seiner %2 s liegen, eine hinter der anderen.</translation>
    </message>
    <message>
        <source>The first downbeat of %1 is locked; unlock its pin to move it.</source>
        <translation type="unfinished">Die erste Eins von %1 ist gesperrt; ihre Nadel entsperren, um sie zu verschieben.</translation>
    </message>
    <message>
        <source>%1 has no tempo yet.</source>
        <translation type="unfinished">%1 hat noch kein Tempo.</translation>
    </message>
    <message>
        <source>%1 cannot count as %2 BPM; tempos lie between %3 and %4.</source>
        <translation type="unfinished">%1 kann nicht als %2 BPM zählen; Tempos liegen zwischen %3 und %4.</translation>
    </message>
    <message>
        <source>The clip leads: stop leading, and it can be stretched.</source>
        <translation type="unfinished">Der Clip führt: die Führung beenden, dann lässt er sich dehnen.</translation>
    </message>
    <message>
        <source>The clip&apos;s source is no longer in the project.</source>
        <translation type="unfinished">Die Quelle des Clips ist nicht mehr im Projekt.</translation>
    </message>
    <message>
        <source>%1 has no tempo yet; say what it is first.</source>
        <translation type="unfinished">%1 hat noch kein Tempo; zuerst sagen, welches.</translation>
    </message>
    <message>
        <source>The clip leads: stop leading, and it can count as another tempo.</source>
        <translation type="unfinished">Der Clip führt: die Führung beenden, dann kann er als anderes Tempo zählen.</translation>
    </message>
    <message>
        <source>A stretch</source>
        <translation type="unfinished">Eine Dehnung</translation>
    </message>
    <message>
        <source>Between 1 and 1024 bars can be filled.</source>
        <translation type="unfinished">Es lassen sich 1 bis 1024 Takte füllen.</translation>
    </message>
    <message>
        <source>%1 has no beats.</source>
        <translation type="unfinished">%1 hat keine Zählzeiten.</translation>
    </message>
    <message>
        <source>The clip leads: stop leading, and it can be fitted.</source>
        <translation type="unfinished">Der Clip führt: die Führung beenden, dann lässt er sich einpassen.</translation>
    </message>
    <message>
        <source>There is no change of tempo there.</source>
        <translation type="unfinished">Dort wechselt das Tempo nicht.</translation>
    </message>
    <message>
        <source>Nothing of the tempo is selected.</source>
        <translation type="unfinished">Vom Tempo ist nichts ausgewählt.</translation>
    </message>
    <message>
        <source>There is no section there.</source>
        <translation type="unfinished">Dort ist kein Abschnitt.</translation>
    </message>
    <message>
        <source>Bars count from 1; %1 is none that can be changed.</source>
        <translation type="unfinished">Takte zählen ab 1; %1 ist keiner, der sich ändern lässt.</translation>
    </message>
    <message>
        <source>A change of tempo cannot lie that far from the beginning.</source>
        <translation type="unfinished">So weit vom Anfang kann kein Tempowechsel liegen.</translation>
    </message>
    <message>
        <source>The tempo begins at bar 1; it cannot change before it.</source>
        <translation type="unfinished">Das Tempo beginnt bei Takt 1; davor kann es nicht wechseln.</translation>
    </message>
    <message>
        <source>The tempo at bar 1 can be changed, not removed.</source>
        <translation type="unfinished">Das Tempo bei Takt 1 lässt sich ändern, nicht entfernen.</translation>
    </message>
    <message>
        <source>The metre at bar 1 can be changed, not removed.</source>
        <translation type="unfinished">Die Taktart bei Takt 1 lässt sich ändern, nicht entfernen.</translation>
    </message>
    <message>
        <source>There is no change of metre there.</source>
        <translation type="unfinished">Dort wechselt die Taktart nicht.</translation>
    </message>
    <message>
        <source>There is no change of key there.</source>
        <translation type="unfinished">Dort wechselt die Tonart nicht.</translation>
    </message>
    <message>
        <source>A section begins at bar 1 or after it.</source>
        <translation type="unfinished">Ein Abschnitt beginnt bei Takt 1 oder danach.</translation>
    </message>
    <message>
        <source>A section needs a name of 1 to 1000 bytes.</source>
        <translation type="unfinished">Ein Abschnitt braucht einen Namen von 1 bis 1000 Bytes.</translation>
    </message>
    <message>
        <source>Another section begins there already.</source>
        <translation type="unfinished">Dort beginnt schon ein anderer Abschnitt.</translation>
    </message>
    <message>
        <source>A loop range must run forwards, from bar 1 on.</source>
        <translation type="unfinished">Ein Schleifenbereich muss vorwärts laufen, ab Takt 1.</translation>
    </message>
    <message>
        <source>A pan</source>
        <translation type="unfinished">Ein Panorama</translation>
    </message>
    <message>
        <source>(left to right)</source>
        <translation type="unfinished">(links bis rechts)</translation>
    </message>
    <message>
        <source>A track needs a name of 1 to 1000 bytes.</source>
        <translation type="unfinished">Eine Spur braucht einen Namen von 1 bis 1000 Bytes.</translation>
    </message>
    <message>
        <source>There are eight colours.</source>
        <translation type="unfinished">Es gibt acht Farben.</translation>
    </message>
    <message>
        <source>Even</source>
        <translation type="unfinished">Gerade</translation>
    </message>
    <message>
        <source>Light swing</source>
        <translation type="unfinished">Leichter Swing</translation>
    </message>
    <message>
        <source>Triplets</source>
        <translation type="unfinished">Triolen</translation>
    </message>
    <message>
        <source>feels</source>
        <translation type="unfinished">feels</translation>
    </message>
    <message>
        <source>A feel is kept under a name.</source>
        <translation type="unfinished">Ein Feel wird unter einem Namen behalten.</translation>
    </message>
    <message>
        <source>The name of a feel has at most 100 bytes.</source>
        <translation type="unfinished">Der Name eines Feels hat höchstens 100 Bytes.</translation>
    </message>
    <message>
        <source>%1 could not be made: %2.</source>
        <translation type="unfinished">%1 konnte nicht gemacht werden: %2.</translation>
    </message>
    <message>
        <source>written in the file</source>
        <translation type="unfinished">in der Datei geschrieben</translation>
    </message>
    <message>
        <source>its loop chunk says %1</source>
        <translation type="unfinished">ihre Schleifenangabe sagt %1</translation>
    </message>
    <message>
        <source>in the file&apos;s loop chunk</source>
        <translation type="unfinished">in der Schleifenangabe der Datei</translation>
    </message>
    <message>
        <source>the tempo written in the file is no number</source>
        <translation type="unfinished">das in der Datei geschriebene Tempo ist keine Zahl</translation>
    </message>
    <message>
        <source>the tag says “%1”, which is no tempo</source>
        <translation type="unfinished">der Tag sagt „%1“, was kein Tempo ist</translation>
    </message>
    <message>
        <source>nothing written</source>
        <translation type="unfinished">nichts geschrieben</translation>
    </message>
    <message>
        <source>root note %1</source>
        <translation type="unfinished">Grundton %1</translation>
    </message>
    <message>
        <source>%1 counted as %2</source>
        <translation type="unfinished">%1 als %2 gezählt</translation>
    </message>
    <message>
        <source>%1: being listened to</source>
        <translation type="unfinished">%1: wird angehört</translation>
    </message>
    <message>
        <source>no beat heard</source>
        <translation type="unfinished">kein Schlag gehört</translation>
    </message>
    <message>
        <source>%1: %2, placed as recorded</source>
        <translation type="unfinished">%1: %2, wie aufgenommen abgelegt</translation>
    </message>
    <message>
        <source>beat from bar %1</source>
        <translation type="unfinished">Puls ab Takt %1</translation>
    </message>
    <message>
        <source>but that is not sure: placed as recorded</source>
        <translation type="unfinished">aber das ist nicht sicher: wie aufgenommen abgelegt</translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation type="unfinished">wie aufgenommen</translation>
    </message>
    <message>
        <source>fitted to %1</source>
        <translation type="unfinished">eingepasst auf %1</translation>
    </message>
    <message>
        <source>a file name is not written as hexadecimal bytes</source>
        <translation type="unfinished">ein Dateiname ist nicht als hexadezimale Bytes geschrieben</translation>
    </message>
    <message>
        <source>a source has no file name</source>
        <translation type="unfinished">eine Quelle hat keinen Dateinamen</translation>
    </message>
    <message>
        <source>“%1” is not a number</source>
        <translation type="unfinished">„%1“ ist keine Zahl</translation>
    </message>
    <message>
        <source>“%1” is out of range: it lies between %2 and %3</source>
        <translation type="unfinished">„%1“ liegt außerhalb des Bereichs von %2 bis %3</translation>
    </message>
    <message>
        <source>“%1” is not a whole number</source>
        <translation type="unfinished">„%1“ ist keine ganze Zahl</translation>
    </message>
    <message>
        <source>“%1” is not text</source>
        <translation type="unfinished">„%1“ ist kein Text</translation>
    </message>
    <message>
        <source>“%1” is missing</source>
        <translation type="unfinished">„%1“ fehlt</translation>
    </message>
    <message>
        <source>“%1” is neither true nor false</source>
        <translation type="unfinished">„%1“ ist weder wahr noch falsch</translation>
    </message>
    <message>
        <source>“%1” is no %2</source>
        <translation type="unfinished">„%1“ bezeichnet nichts Bekanntes (%2)</translation>
    </message>
    <message>
        <source>kind of sound</source>
        <translation type="unfinished">Art von Klang</translation>
    </message>
    <message>
        <source>kind of reading</source>
        <translation type="unfinished">Art von Lesung</translation>
    </message>
    <message>
        <source>“%1” is not a key</source>
        <translation type="unfinished">„%1“ ist keine Tonart</translation>
    </message>
    <message>
        <source>“%1” is not a list</source>
        <translation type="unfinished">„%1“ ist keine Liste</translation>
    </message>
    <message>
        <source>an “id” is out of range or used twice</source>
        <translation type="unfinished">eine „id“ liegt außerhalb des Bereichs oder kommt doppelt vor</translation>
    </message>
    <message>
        <source>a clip&apos;s source is not in the project</source>
        <translation type="unfinished">die Quelle eines Clips ist nicht im Projekt</translation>
    </message>
    <message>
        <source>the clip that leads is not in the project</source>
        <translation type="unfinished">der Clip, der führt, ist nicht im Projekt</translation>
    </message>
    <message>
        <source>%1 could not be opened: %2.</source>
        <translation type="unfinished">%1 konnte nicht geöffnet werden: %2.</translation>
    </message>
    <message>
        <source>the file is damaged or was cut off</source>
        <translation type="unfinished">die Datei ist beschädigt oder abgeschnitten</translation>
    </message>
    <message>
        <source>it is not a Patient Metre project</source>
        <translation type="unfinished">es ist kein Projekt von Patient Metre</translation>
    </message>
    <message>
        <source>“version” is missing</source>
        <translation type="unfinished">„version“ fehlt</translation>
    </message>
    <message>
        <source>it was made by a newer Patient Metre (format %1; this one reads up to %2)</source>
        <translation type="unfinished">es stammt von einem neueren Patient Metre (Format %1; dieses liest bis %2)</translation>
    </message>
    <message>
        <source>“version” is out of range</source>
        <translation type="unfinished">„version“ liegt außerhalb des Bereichs</translation>
    </message>
    <message>
        <source>%1 could not be read as a feel: %2.</source>
        <translation type="unfinished">%1 konnte nicht als Feel gelesen werden: %2.</translation>
    </message>
    <message>
        <source>it is no feel</source>
        <translation type="unfinished">es ist kein Feel</translation>
    </message>
    <message>
        <source>it is of format %1; this Patient Metre reads %2</source>
        <translation type="unfinished">es hat das Format %1; dieses Patient Metre liest %2</translation>
    </message>
    <message>
        <source>tempo point</source>
        <translation type="unfinished">Tempopunkt</translation>
    </message>
    <message>
        <source>metre point</source>
        <translation type="unfinished">Taktartpunkt</translation>
    </message>
    <message>
        <source>key point</source>
        <translation type="unfinished">Tonartpunkt</translation>
    </message>
    <message>
        <source>loop range</source>
        <translation type="unfinished">Schleifenbereich</translation>
    </message>
    <message>
        <source>track height</source>
        <translation type="unfinished">Spurhöhe</translation>
    </message>
    <message>
        <source>pin note</source>
        <translation type="unfinished">Notiz an einer Nadel</translation>
    </message>
    <message>
        <source>feel place</source>
        <translation type="unfinished">Stelle eines Feels</translation>
    </message>
    <message>
        <source>The keys begin at bar 1.</source>
        <translation type="unfinished">Die Tonarten beginnen bei Takt 1.</translation>
    </message>
    <message>
        <source>The changes of key must each lie after the one before.</source>
        <translation type="unfinished">Jeder Wechsel der Tonart muss hinter dem vorigen liegen.</translation>
    </message>
    <message>
        <source>%1 is missing: %2 was not found.</source>
        <translation type="unfinished">%1 fehlt: %2 wurde nicht gefunden.</translation>
    </message>
    <message>
        <source>%1 is too short here to be heard.</source>
        <translation type="unfinished">%1 ist hier zu kurz, um gehört zu werden.</translation>
    </message>
    <message>
        <source>%1 loops more than %2 times here.</source>
        <translation type="unfinished">%1 läuft hier mehr als %2 Mal im Kreis.</translation>
    </message>
    <message>
        <source>%1 cannot be fitted. %2</source>
        <translation type="unfinished">%1 kann nicht eingepasst werden. %2</translation>
    </message>
    <message>
        <source>%1 has no beats to lead with.</source>
        <translation type="unfinished">%1 hat keine Zählzeiten, um zu führen.</translation>
    </message>
    <message>
        <source>Beats may miss by 0 to %1 ms.</source>
        <translation type="unfinished">Zählzeiten dürfen um 0 bis %1 ms danebenliegen.</translation>
    </message>
    <message>
        <source>%1 has only one beat; to lead takes two.</source>
        <translation type="unfinished">%1 hat nur eine Zählzeit; zum Führen braucht es zwei.</translation>
    </message>
    <message>
        <source>%1 cannot lead: from its beat %2, %3 s in, it would be %4 BPM; tempos lie between %5 and %6.</source>
        <translation type="unfinished">%1 kann nicht führen: ab Zählzeit %2, bei %3 s, wären es %4 BPM; Tempos liegen zwischen %5 und %6.</translation>
    </message>
    <message>
        <source>The clip that led is gone.</source>
        <translation type="unfinished">Der Clip, der führte, ist fort.</translation>
    </message>
    <message>
        <source>%1 cannot lead from so far in the piece.</source>
        <translation type="unfinished">So weit hinten im Stück kann %1 nicht führen.</translation>
    </message>
    <message>
        <source>Nothing leads; the tempo is the project&apos;s own.</source>
        <translation type="unfinished">Nichts führt; das Tempo ist das des Projekts.</translation>
    </message>
    <message>
        <source>That tempo is out of range.</source>
        <translation type="unfinished">Dieses Tempo liegt außerhalb des Bereichs.</translation>
    </message>
    <message>
        <source>%1 leads, and the tempo is its own. Stop leading first: Led by, in the head strip.</source>
        <translation type="unfinished">%1 führt, und das Tempo ist das seine. Zuerst die Führung beenden: Geführt von, in der Kopfleiste.</translation>
    </message>
    <message>
        <source>A recording</source>
        <translation type="unfinished">Eine Aufnahme</translation>
    </message>
    <message>
        <source>counted twice as fast</source>
        <translation type="unfinished">doppelt so schnell gezählt</translation>
    </message>
    <message>
        <source>counted half as fast</source>
        <translation type="unfinished">halb so schnell gezählt</translation>
    </message>
    <message>
        <source>counted in threes</source>
        <translation type="unfinished">in Dreiern gezählt</translation>
    </message>
    <message>
        <source>confidence %1 · %2%3</source>
        <translation type="unfinished">Sicherheit %1 · %2%3</translation>
    </message>
    <message>
        <source>a part of %1</source>
        <translation type="unfinished">ein Teil von %1</translation>
    </message>
    <message>
        <source>%1 has nothing where this clip plays it.</source>
        <translation type="unfinished">%1 hat nichts, wo dieser Clip es spielt.</translation>
    </message>
    <message>
        <source>%1 could not be saved: %2.</source>
        <translation type="unfinished">%1 konnte nicht gesichert werden: %2.</translation>
    </message>
    <message>
        <source>%1 holds other audio than when the project was saved.</source>
        <translation type="unfinished">%1 enthält anderen Ton als beim Sichern des Projekts.</translation>
    </message>
    <message>
        <source>A set takes two sources or more that were recorded together.</source>
        <translation type="unfinished">Ein Satz besteht aus zwei oder mehr Quellen, die zusammen aufgenommen wurden.</translation>
    </message>
    <message>
        <source>%1 belongs to a set already; dissolve that first.</source>
        <translation type="unfinished">%1 gehört schon zu einem Satz; diesen zuerst auflösen.</translation>
    </message>
    <message>
        <source>The audio of %1 is missing.</source>
        <translation type="unfinished">Der Ton von %1 fehlt.</translation>
    </message>
    <message>
        <source>%1 is %2 s long and %3 %4 s; what was recorded together is equally long.</source>
        <translation type="unfinished">%1 ist %2 s lang und %3 %4 s; was zusammen aufgenommen wurde, ist gleich lang.</translation>
    </message>
    <message>
        <source>That set is no longer in the project.</source>
        <translation type="unfinished">Dieser Satz ist nicht mehr im Projekt.</translation>
    </message>
    <message>
        <source>%1 leads: the project has its time already.</source>
        <translation type="unfinished">%1 führt: das Projekt hat schon seine Zeit.</translation>
    </message>
    <message>
        <source>Pins of %1 are locked; unlock them to take other beats.</source>
        <translation type="unfinished">Nadeln von %1 sind gesperrt; sie entsperren, um andere Zählzeiten zu übernehmen.</translation>
    </message>
    <message>
        <source>%1 loops here; only what was played once was played to the project.</source>
        <translation type="unfinished">%1 läuft hier im Kreis; nur was einmal gespielt wurde, wurde zum Projekt gespielt.</translation>
    </message>
    <message>
        <source>taken from the project&apos;s time, bar %1</source>
        <translation type="unfinished">aus der Zeit des Projekts übernommen, Takt %1</translation>
    </message>
    <message>
        <source>%1 is too short to take a tempo.</source>
        <translation type="unfinished">%1 ist zu kurz, um ein Tempo zu übernehmen.</translation>
    </message>
    <message>
        <source>Select the clips that were played to this project.</source>
        <translation type="unfinished">Die Clips auswählen, die zu diesem Projekt gespielt wurden.</translation>
    </message>
    <message>
        <source>%1 is not there to be listened to.</source>
        <translation type="unfinished">%1 ist nicht da, um angehört zu werden.</translation>
    </message>
    <message>
        <source>%1 is one hit and has no feel.</source>
        <translation type="unfinished">%1 ist ein einzelner Schlag und hat kein Feel.</translation>
    </message>
    <message>
        <source>%1 has no beats to have a feel around.</source>
        <translation type="unfinished">%1 hat keine Zählzeiten, um die ein Feel läge.</translation>
    </message>
    <message>
        <source>%1 has no feel: %2.</source>
        <translation type="unfinished">%1 hat kein Feel: %2.</translation>
    </message>
    <message>
        <source>This part of %1 has no feel: %2.</source>
        <translation type="unfinished">Dieser Teil von %1 hat kein Feel: %2.</translation>
    </message>
    <message>
        <source>%1 is in %2, and that feel is of bars in %3.</source>
        <translation type="unfinished">%1 steht im %2, und dieses Feel ist eines von Takten im %3.</translation>
    </message>
    <message>
        <source>Tightening</source>
        <translation type="unfinished">Das Straffen</translation>
    </message>
    <message>
        <source>A swing</source>
        <translation type="unfinished">Ein Swing</translation>
    </message>
    <message>
        <source>What is left alone</source>
        <translation type="unfinished">Was unberührt bleibt,</translation>
    </message>
    <message>
        <source>ms</source>
        <translation type="unfinished">ms</translation>
    </message>
    <message>
        <source>A strength</source>
        <translation type="unfinished">Eine Stärke</translation>
    </message>
    <message>
        <source>The clip leads and plays as recorded: stop leading, and it can be tightened.</source>
        <translation type="unfinished">Der Clip führt und spielt wie aufgenommen: die Führung beenden, dann lässt er sich straffen.</translation>
    </message>
    <message>
        <source>%1 is played free; pins must say where its beats are before it can be tightened.</source>
        <translation type="unfinished">%1 ist frei gespielt; Nadeln müssen sagen, wo seine Zählzeiten sind, bevor es sich straffen lässt.</translation>
    </message>
    <message>
        <source>A count-in has up to 4 bars.</source>
        <translation type="unfinished">Ein Vorzählen hat höchstens 4 Takte.</translation>
    </message>
    <message>
        <source>A locked clip on %1 uses %2; unlock it to change the source&apos;s beats.</source>
        <translation type="unfinished">Ein gesperrter Clip auf %1 benutzt %2; ihn entsperren, um die Zählzeiten der Quelle zu ändern.</translation>
    </message>
    <message>
        <source>in time</source>
        <translation type="unfinished">im Takt</translation>
    </message>
    <message>
        <source>early</source>
        <translation type="unfinished">zu früh</translation>
    </message>
    <message>
        <source>late</source>
        <translation type="unfinished">zu spät</translation>
    </message>
    <message>
        <source>loose</source>
        <translation type="unfinished">lose</translation>
    </message>
    <message>
        <source>off the grid</source>
        <translation type="unfinished">neben dem Raster</translation>
    </message>
    <message>
        <source>unread</source>
        <translation type="unfinished">nicht gelesen</translation>
    </message>
    <message>
        <source>no tempo</source>
        <translation type="unfinished">kein Tempo</translation>
    </message>
    <message>
        <source>not placed</source>
        <translation type="unfinished">nicht abgelegt</translation>
    </message>
    <message>
        <source>not stretched</source>
        <translation type="unfinished">nicht gedehnt</translation>
    </message>
    <message>
        <source>No source is stretched: there is nothing to meet.</source>
        <translation type="unfinished">Keine Quelle wird gedehnt: es gibt nichts, was sich treffen könnte.</translation>
    </message>
    <message>
        <source>%1 has no beats to be measured by.</source>
        <translation type="unfinished">%1 hat keine Zählzeiten, an denen zu messen wäre.</translation>
    </message>
    <message>
        <source>Nothing begins in %1 where this clip plays it.</source>
        <translation type="unfinished">In %1 beginnt nichts, wo dieser Clip es spielt.</translation>
    </message>
    <message>
        <source>Nothing in %1 begins clearly enough to be measured.</source>
        <translation type="unfinished">In %1 beginnt nichts deutlich genug, um gemessen zu werden.</translation>
    </message>
    <message>
        <source>it was written by a newer Patient Metre</source>
        <translation type="unfinished">sie wurde von einem neueren Patient Metre geschrieben</translation>
    </message>
    <message>
        <source>there is no such grid</source>
        <translation type="unfinished">ein solches Raster gibt es nicht</translation>
    </message>
    <message>
        <source>a path is not absolute</source>
        <translation type="unfinished">ein Pfad ist nicht vollständig</translation>
    </message>
    <message>
        <source>what is known of a file cannot be read</source>
        <translation type="unfinished">was von einer Datei bekannt ist, kann nicht gelesen werden</translation>
    </message>
    <message>
        <source>%1, line %2: %3.</source>
        <translation type="unfinished">%1, Zeile %2: %3.</translation>
    </message>
    <message>
        <source>this is no library</source>
        <translation type="unfinished">das ist keine Bibliothek</translation>
    </message>
    <message>
        <source>it was written by another version of Patient Metre</source>
        <translation type="unfinished">sie wurde von einer anderen Version von Patient Metre geschrieben</translation>
    </message>
    <message>
        <source>its files were listened to by version %1 of hearing, and this is %2; scan them again there</source>
        <translation type="unfinished">ihre Dateien wurden mit Version %1 des Hörens angehört, und dies ist %2; sie dort neu durchsehen</translation>
    </message>
    <message>
        <source>it says nothing that is known</source>
        <translation type="unfinished">sie sagt nichts Bekanntes</translation>
    </message>
    <message>
        <source>it is empty</source>
        <translation type="unfinished">sie ist leer</translation>
    </message>
    <message>
        <source>it is cut off</source>
        <translation type="unfinished">sie ist abgeschnitten</translation>
    </message>
    <message>
        <source>The library could not be opened from %1</source>
        <translation type="unfinished">Die Bibliothek konnte nicht aus %1 geöffnet werden</translation>
    </message>
    <message>
        <source>%1: it is damaged.</source>
        <translation type="unfinished">%1: sie ist beschädigt.</translation>
    </message>
    <message>
        <source>The library was damaged and has been begun anew; the damaged one is kept as %1.</source>
        <translation type="unfinished">Die Bibliothek war beschädigt und wurde neu begonnen; die beschädigte ist als %1 aufgehoben.</translation>
    </message>
    <message>
        <source>%1Your own tags could not be taken from %2: %3.%4</source>
        <translation type="unfinished">%1Die eigenen Tags konnten nicht aus %2 übernommen werden: %3.%4</translation>
    </message>
    <message>
        <source>It is kept as %1.</source>
        <translation type="unfinished">Sie ist als %1 aufgehoben.</translation>
    </message>
    <message>
        <source>The library was begun anew.</source>
        <translation type="unfinished">Die Bibliothek wurde neu begonnen.</translation>
    </message>
    <message>
        <source>Your own tags and folders are in it; scan to fill it again.</source>
        <translation type="unfinished">Die eigenen Tags und Ordner sind darin; neu durchsehen, um sie wieder zu füllen.</translation>
    </message>
    <message>
        <source>What was settled before could not be read from %1</source>
        <translation type="unfinished">Was früher festgelegt wurde, konnte nicht aus %1 gelesen werden</translation>
    </message>
    <message>
        <source>The tempo could not be remembered</source>
        <translation type="unfinished">Das Tempo konnte nicht gemerkt werden</translation>
    </message>
    <message>
        <source>settled before, %1</source>
        <translation type="unfinished">früher festgelegt, %1</translation>
    </message>
    <message>
        <source>it cannot be read (%1)</source>
        <translation type="unfinished">sie kann nicht gelesen werden (%1)</translation>
    </message>
    <message>
        <source>The library could not be written</source>
        <translation type="unfinished">Die Bibliothek konnte nicht geschrieben werden</translation>
    </message>
    <message>
        <source>The library could not be read</source>
        <translation type="unfinished">Die Bibliothek konnte nicht gelesen werden</translation>
    </message>
    <message>
        <source>%1 could not be read: there is not enough memory for it.</source>
        <translation type="unfinished">%1 konnte nicht gelesen werden: dafür reicht der Speicher nicht.</translation>
    </message>
    <message>
        <source>%1 was changed while it was read; it is read with the next scan.</source>
        <translation type="unfinished">%1 wurde verändert, während es gelesen wurde; es wird beim nächsten Durchsehen gelesen.</translation>
    </message>
    <message>
        <source>%1 could not be opened: %2</source>
        <translation type="unfinished">%1 konnte nicht geöffnet werden: %2</translation>
    </message>
    <message>
        <source>JACK does not let this program follow its transport.</source>
        <translation type="unfinished">JACK lässt dieses Programm seinem Ablauf nicht folgen.</translation>
    </message>
    <message>
        <source>Another program gives JACK its tempo already.</source>
        <translation type="unfinished">Ein anderes Programm gibt JACK schon das Tempo.</translation>
    </message>
    <message>
        <source>No JACK server answers.</source>
        <translation type="unfinished">Kein JACK-Server antwortet.</translation>
    </message>
    <message>
        <source>%1 has gone.</source>
        <translation type="unfinished">%1 ist fort.</translation>
    </message>
    <message>
        <source>%1 could not be opened: the server does not start it.</source>
        <translation type="unfinished">%1 konnte nicht geöffnet werden: der Server startet es nicht.</translation>
    </message>
    <message>
        <source>%1 could not be opened: it takes no connection.</source>
        <translation type="unfinished">%1 konnte nicht geöffnet werden: es nimmt keine Verbindung an.</translation>
    </message>
    <message>
        <source>a port of its own</source>
        <translation type="unfinished">ein eigener Anschluss</translation>
    </message>
    <message>
        <source>simulated: a clock at 112 BPM</source>
        <translation type="unfinished">simuliert: eine Clock mit 112 BPM</translation>
    </message>
    <message>
        <source>simulated: nobody listens</source>
        <translation type="unfinished">simuliert: niemand hört zu</translation>
    </message>
    <message>
        <source>The MIDI port “%1” is not there.</source>
        <translation type="unfinished">Den MIDI-Anschluss „%1“ gibt es nicht.</translation>
    </message>
    <message>
        <source>no sound device was found</source>
        <translation type="unfinished">kein Tongerät wurde gefunden</translation>
    </message>
    <message>
        <source>a simulated output was asked for</source>
        <translation type="unfinished">ein simulierter Ausgang wurde verlangt</translation>
    </message>
    <message>
        <source>%1 is not there: playing through %2.</source>
        <translation type="unfinished">%1 ist nicht da: gespielt wird über %2.</translation>
    </message>
    <message>
        <source>Playing silently: %1.</source>
        <translation type="unfinished">Stumm gespielt: %1.</translation>
    </message>
    <message>
        <source>There is not enough memory to render it.</source>
        <translation type="unfinished">Der Speicher reicht nicht, um es zu rechnen.</translation>
    </message>
    <message>
        <source>It could not be rendered: %1.</source>
        <translation type="unfinished">Es konnte nicht gerechnet werden: %1.</translation>
    </message>
    <message>
        <source>no sound device: playing silently</source>
        <translation type="unfinished">kein Tongerät: stumm gespielt</translation>
    </message>
    <message>
        <source>bar %1</source>
        <translation type="unfinished">Takt %1</translation>
    </message>
    <message>
        <source>%1 was not written: %2</source>
        <translation type="unfinished">%1 wurde nicht geschrieben: %2</translation>
    </message>
    <message>
        <source>its clip is no longer in the project.</source>
        <translation type="unfinished">sein Clip ist nicht mehr im Projekt.</translation>
    </message>
    <message>
        <source>nothing could be written</source>
        <translation type="unfinished">es konnte nichts geschrieben werden</translation>
    </message>
    <message>
        <source>%1 changes of metre were left out: they are none, or lie within a bar.</source>
        <translation type="unfinished">%1 Wechsel der Taktart wurden ausgelassen: es sind keine, oder sie liegen im Takt.</translation>
    </message>
    <message>
        <source>%1 tempos were left out: they are not between %2 and %3 BPM.</source>
        <translation type="unfinished">%1 Tempos wurden ausgelassen: sie liegen nicht zwischen %2 und %3 BPM.</translation>
    </message>
    <message>
        <source>it is no Standard MIDI File</source>
        <translation type="unfinished">es ist keine Standard-MIDI-Datei</translation>
    </message>
    <message>
        <source>its head is cut off</source>
        <translation type="unfinished">ihr Kopf ist abgeschnitten</translation>
    </message>
    <message>
        <source>its time base makes no sense</source>
        <translation type="unfinished">ihre Zeitbasis ergibt keinen Sinn</translation>
    </message>
    <message>
        <source>one of its tracks is damaged</source>
        <translation type="unfinished">eine ihrer Spuren ist beschädigt</translation>
    </message>
    <message>
        <source>there is no track in it</source>
        <translation type="unfinished">es ist keine Spur darin</translation>
    </message>
    <message>
        <source>It says it has %1 tracks, and has %2.</source>
        <translation type="unfinished">Sie sagt, sie habe %1 Spuren, und hat %2.</translation>
    </message>
    <message>
        <source>It counts in seconds, not in beats: its tempos mean nothing and were left out.</source>
        <translation type="unfinished">Sie zählt in Sekunden, nicht in Zählzeiten: ihre Tempos bedeuten nichts und wurden ausgelassen.</translation>
    </message>
    <message>
        <source>The clip is no longer in the project.</source>
        <translation type="unfinished">Der Clip ist nicht mehr im Projekt.</translation>
    </message>
    <message>
        <source>The name pattern is empty.</source>
        <translation type="unfinished">Das Namensmuster ist leer.</translation>
    </message>
    <message>
        <source>The name pattern may hold {name}, {bpm}, {key}, {track}, {beats} and {number}.</source>
        <translation type="unfinished">Das Namensmuster kann {name}, {bpm}, {key}, {track}, {beats} und {number} enthalten.</translation>
    </message>
    <message>
        <source>There is nothing on the page to deliver yet.</source>
        <translation type="unfinished">Auf der Seite ist noch nichts, was sich übergeben ließe.</translation>
    </message>
    <message>
        <source>From bar %1 to bar %2 there is nothing: the range is empty.</source>
        <translation type="unfinished">Von Takt %1 bis Takt %2 ist nichts: der Bereich ist leer.</translation>
    </message>
    <message>
        <source>From bar %1 to bar %2 is %3 hours; %4 can be delivered at once.</source>
        <translation type="unfinished">Von Takt %1 bis Takt %2 sind es %3 Stunden; auf einmal lassen sich %4 übergeben.</translation>
    </message>
    <message>
        <source>There is nothing to deliver yet.</source>
        <translation type="unfinished">Noch ist nichts zu übergeben.</translation>
    </message>
    <message>
        <source>%1 would be replaced, and it is a recording of this project. Choose another folder or other names.</source>
        <translation type="unfinished">%1 würde ersetzt und ist eine Aufnahme dieses Projekts. Einen anderen Ordner oder andere Namen wählen.</translation>
    </message>
    <message>
        <source>only 1 hit begins in it, and a feel rests on %1 at least</source>
        <translation type="unfinished">darin beginnt nur 1 Schlag, und ein Feel beruht auf mindestens %1</translation>
    </message>
    <message>
        <source>only %1 hits begin in it, and a feel rests on %2 at least</source>
        <translation type="unfinished">darin beginnen nur %1 Schläge, und ein Feel beruht auf mindestens %2</translation>
    </message>
    <message>
        <source>1 bar</source>
        <translation type="unfinished">1 Takt</translation>
    </message>
    <message>
        <source>%1 bars</source>
        <translation type="unfinished">%1 Takte</translation>
    </message>
    <message>
        <source>1 bar of %1</source>
        <translation type="unfinished">1 Takt im %1</translation>
    </message>
    <message>
        <source>%1 bars of %2</source>
        <translation type="unfinished">%1 Takte im %2</translation>
    </message>
    <message>
        <source>also %1</source>
        <translation type="unfinished">auch %1</translation>
    </message>
    <message>
        <source>1 beat</source>
        <translation type="unfinished">1 Zählzeit</translation>
    </message>
    <message>
        <source>%1 beats</source>
        <translation type="unfinished">%1 Zählzeiten</translation>
    </message>
    <message>
        <source>%1 says %2</source>
        <translation type="unfinished">%1 sagt %2</translation>
    </message>
    <message>
        <source>%1 only</source>
        <translation type="unfinished">nur %1</translation>
    </message>
    <message>
        <source>%1 agrees with %2</source>
        <translation type="unfinished">%1 stimmt überein mit %2</translation>
    </message>
    <message>
        <source>%1 by its name</source>
        <translation type="unfinished">%1 nach seinem Namen</translation>
    </message>
    <message>
        <source>%1 by its tag</source>
        <translation type="unfinished">%1 nach seinem Tag</translation>
    </message>
    <message>
        <source>%1 as heard</source>
        <translation type="unfinished">%1 wie gehört</translation>
    </message>
    <message>
        <source>%1 by its length</source>
        <translation type="unfinished">%1 nach seiner Länge</translation>
    </message>
    <message>
        <source>%1 as tapped</source>
        <translation type="unfinished">%1 wie getippt</translation>
    </message>
    <message>
        <source>%1 as you said</source>
        <translation type="unfinished">%1 wie gesagt</translation>
    </message>
    <message>
        <source>in %1</source>
        <translation type="unfinished">im %1</translation>
    </message>
    <message>
        <source>%1 beats in %2</source>
        <translation type="unfinished">%1 Zählzeiten im %2</translation>
    </message>
</context>
</TS>
