// The tempo that clips count as, made their recordings' own.
#pragma once

namespace app {

class Session;

// Of the selected clips; says what became of it. Interface thread.
void makeRecordingsTempo(Session& session);

} // namespace app
