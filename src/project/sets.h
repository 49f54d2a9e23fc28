// Sets: sources that were recorded together, the stems of one song. One beat map serves them all: they are heard on
// their sum, what is corrected on one is corrected on all (edit_sources.h), and as they share their anchors, they
// stay together to the sample, each by its own method.
#pragma once

#include "base/progress.h"
#include "project/read_source.h"

namespace project {

// How far the lengths of sources may lie apart that were recorded together.
inline constexpr Seconds setSlack{0.010};

// The sources of the set that this one belongs to, itself among them, in the project's order; itself alone where it
// belongs to none.
std::vector<SourceId> togetherWith(const Project& p, SourceId id);
// The clips, and those of the same sets that stand where they stand: a set stays together.
std::vector<ClipId> withTheirSetsHere(const Project& p, const std::vector<ClipId>& ids);
// A source of a set, in time as another of it is: readings, beats, marks.
Source inTimeWith(const Source& source, const Source& changed);
// All that are picked, and what belongs to them.
std::vector<SourceId> withTheirSets(const Project& p, const std::vector<SourceId>& ids);

// These, but of each set only the first: what is done to one is done to all.
std::vector<SourceId> oneOfEachSet(const Project& p, const std::vector<SourceId>& ids);

// Groups of sources among these that are equally long, each of two or more that belong to no set yet.
std::vector<std::vector<SourceId>> likelySets(const Project& p, const std::vector<SourceId>& ids);
// Whether these can be kept together: two or more, of no set yet, each with its audio, all equally long. Fails with
// the reason.
Result<void> mayBeSet(const Project& p, const std::vector<SourceId>& ids);

// The sum of recordings, at their level on average, one channel. REQUIRES one or more, at one rate. Any thread;
// takes time, not memory.
sound::AudioPtr sumOf(const std::vector<std::shared_ptr<const Sound>>& sounds);

// What recordings that stay together are stretched from: the onsets of their sum, at the sounds' rate, and which of
// these strike. Told by each for itself, time would bend at other places in each.
struct Anchors {
    std::vector<hear::Onset> onsets;
    std::vector<Frames> strikes;
};

// What is heard of recordings on their sum.
struct HeardTogether {
    hear::Heard heard;
    Anchors anchors;
};
// Any thread; takes time. REQUIRES members with their sound. The store, where there is one, has the anchors another
// time. Fails when stopped, or when there is no room for the sum.
Result<HeardTogether> hearTogether(const std::vector<SourcePtr>& members, const hear::Window& window,
                                   sound::AudioStore* store, const base::Progress& progress = {});
// The first of these, which are one source or the members of one set, as it is heard between these tempos: a set on
// its sum. Fails when stopped, and when a sum cannot be heard, in a sentence. Any thread; takes time. REQUIRES at
// least one, each with its sound.
Result<Source> heardAnew(const std::vector<SourcePtr>& group, const hear::Window& window, sound::AudioStore* store,
                         const base::Progress& progress = {});
Result<Anchors> anchorsOf(const std::vector<SourcePtr>& members, sound::AudioStore* store,
                          const base::Progress& progress = {});

// Makes these a set, with what was heard of them together: readings, beats and anchors are the same for all from
// now on; kinds, and keys that were named, stay their own. Their clips, which begin with the first one's, stand
// together. Fails as mayBeSet() does, and where a locked clip would have to move.
Result<Project> makeSet(const Project& p, const std::vector<SourceId>& ids, const HeardTogether& together);
// Each for itself again, from where it is now. `sounds`: with the onsets of each, where they are known.
Result<Project> partSet(const Project& p, SetId set,
                        const std::vector<std::pair<SourceId, std::shared_ptr<const Sound>>>& sounds);

// Gives the sources of every set that have their audio their anchors in common: after reading. Warnings are added
// to.
void anchorSets(Project& p, sound::AudioStore* store, const base::Progress& progress);

} // namespace project
