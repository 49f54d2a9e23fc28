// The project takes its tempo: from a file, from a tempo map, from a recording that leads, from all together.
#pragma once

#include "app/session/library_desk.h"
#include "app/session/part.h"
#include "app/session/remembered.h"
#include "deliver/midi_map.h"
#include "project/lead.h"

#include <filesystem>

namespace app {

class TempoTaking : public Part {
    Q_OBJECT
  public:
    TempoTaking(const Common& common, LibraryDesk& library, Remembered& remembered);

    // The project takes the tempo of a file: what the library knows, or what is heard now.
    void fromFile(const std::filesystem::path& file);
    // The project takes tempo and metre from a Standard MIDI File.
    void fromMap(const std::filesystem::path& file);
    // Lets a clip lead, and says what comes of it.
    bool lead(ClipId clip, project::Lead::Every every, metre::Seconds smooth);
    // With one tempo where it is steady, beat by beat where it was played free.
    bool leadAsItIsPlayed(ClipId clip);
    void letGo();
    // The project takes the tempo at which its sources together are strained least; those that count as half or
    // double there are said to be. One edit.
    void meet();

  private:
    void mapRead(const std::filesystem::path& file, const deliver::ReadMap& read);

    LibraryDesk& library_;
    Remembered& remembered_;
};

} // namespace app
