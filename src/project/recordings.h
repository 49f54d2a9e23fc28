// What is known of the files of a document, the same for all its versions: where each lies, what it holds, how it
// sounds at each rate that was asked for, and what was heard of it after it had been placed. Undo never touches it.
// Work that ends late hands in a Patch, which counts for all versions at once.
#pragma once

#include "project/project.h"

#include <map>
#include <unordered_map>

namespace project {

// What late work found out about one source. What is empty stays as it is known.
struct Late {
    SourceId source;
    std::optional<std::filesystem::path> file{}; // where it lies now
    std::optional<std::string> content{};        // what it holds
    std::optional<sound::FileFacts> facts{};     // and how much of it
    std::shared_ptr<const Sound> sound{};        // at whatever rate
    std::shared_ptr<const Source> heard{};       // what was heard of it, and the reading that is used
};
using Patch = std::vector<Late>;

// A value. One thread at a time.
class Recordings {
  public:
    // Takes notice of the sources of a version: of those that were not known, of everything; of others, of a sound
    // at another rate.
    void learn(const Project& p);
    // Takes in what late work found out of sources that were learned of; of others, nothing.
    void take(const Patch& patch);
    // A version as it is with what is known by now: files where they lie, sounds at its own rate and no other, what
    // was heard late as if it had been known from the beginning (arriving.h), and its tempo in step with what leads
    // it.
    Project in(const Project& version) const;
    // Sources of a version whose sound is known, but not at its rate.
    std::vector<SourcePtr> toReadIn(const Project& version) const;
    // Counts up with everything that is found out late and is saved: not with sounds.
    std::int64_t revision() const { return revision_; }

  private:
    using Sources = base::SharedList<SourcePtr>;
    struct Known {
        Recording recording;                                // without its sound
        std::map<int, std::shared_ptr<const Sound>> sounds; // by rate
        std::shared_ptr<const Source> heard;
    };
    std::unordered_map<std::int64_t, Known> known_; // by source
    Sources learned_;                               // the last ones of which notice was taken
    // The last ones that were as they are known: until more is known they still are.
    struct UpToDate {
        Sources sources;
        int rate;
        std::vector<SourcePtr> toRead;
    };
    std::vector<SourcePtr> silentOnesOf(const Project& version) const;
    const UpToDate* upToDate(const Project& version) const;
    mutable std::optional<UpToDate> upToDate_;
    std::int64_t revision_ = 0;
};

} // namespace project
