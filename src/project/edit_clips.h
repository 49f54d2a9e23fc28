// Edits of clips: functions from a project to a project. None alters what it is given; each checks what must hold,
// and fails with a sentence when what is asked for cannot be. Any thread; quick.
#pragma once

#include "project/project.h"

namespace project {

// Those that change clips fail when one of them is locked, or no longer there. Turning changes each clip by the
// same step, and stops at the ends of the range.

// Places the whole of a source, its first downbeat at `at`, on a track, or on a new one named after the source.
struct Placed {
    Project project;
    ClipId id;
};
// The clip that place() makes of a source, without id and place.
Clip wholeClip(const Source& source);
Result<Placed> place(const Project& p, SourceId source, std::optional<TrackId> track, Beats at);

// Moves clips in time, and by a number of tracks up or down; fails when one would leave the tracks or begin before
// bar 1 minus four bars, where pick-ups may hang.
Result<Project> moveClips(const Project& p, const std::vector<ClipId>& ids, Beats by, int tracks);
Result<Project> removeClips(const Project& p, const std::vector<ClipId>& ids);

Result<Project> setMethod(const Project& p, const std::vector<ClipId>& ids, stretch::Method method);
// none: their track's, or the project's.
Result<Project> setRule(const Project& p, const std::vector<ClipId>& ids, std::optional<TimeRule> rule);
// For clips that do not follow the tempo: fits them once, to the tempo where they begin. They stay so afterwards.
Result<Project> fitNow(const Project& p, const std::vector<ClipId>& ids);
// As recorded: placed, at its own tempo and pitch.
Result<Project> setAsRecorded(const Project& p, const std::vector<ClipId>& ids);
// Which onsets cut, 0 (the strongest only) to 1 (all).
Result<Project> setSensitivity(const Project& p, const std::vector<ClipId>& ids, double sensitivity);
Result<Project> setFollowsKey(const Project& p, const std::vector<ClipId>& ids, bool on);
Result<Project> setToRelatives(const Project& p, const std::vector<ClipId>& ids, bool on);
// In semitones, up to mostSemitones either way.
Result<Project> setTranspose(const Project& p, const std::vector<ClipId>& ids, double semitones);
Result<Project> turnTranspose(const Project& p, const std::vector<ClipId>& ids, double bySemitones);
Result<Project> setFormants(const Project& p, const std::vector<ClipId>& ids, bool kept);
// The noise under them turned down (stretch/quiet.h), or left as it is.
Result<Project> setQuiet(const Project& p, const std::vector<ClipId>& ids, bool on);
// In decibels, quietestDb to loudestDb.
Result<Project> setGain(const Project& p, const std::vector<ClipId>& ids, double db);
Result<Project> turnGain(const Project& p, const std::vector<ClipId>& ids, double byDb);
Result<Project> setChannels(const Project& p, const std::vector<ClipId>& ids, Channels channels);
enum class Side { Left, Right };
Result<Project> setFlipped(const Project& p, const std::vector<ClipId>& ids, Side side, bool on);
// What was measured of each clip, in the order of the ids: its gain to the level that is asked for.
Result<Project> setNormalise(const Project& p, const std::vector<ClipId>& ids, Normalise how,
                             const std::vector<double>& gainsDb);
Result<Project> setClipMute(const Project& p, const std::vector<ClipId>& ids, bool on);
Result<Project> setTint(const Project& p, const std::vector<ClipId>& ids, std::optional<int> tint);
// Several clips are numbered, "hook 1", "hook 2"; empty: each is called as its source again.
Result<Project> setName(const Project& p, const std::vector<ClipId>& ids, const std::string& name);
// 0 to longestFade.
Result<Project> setFadeIn(const Project& p, const std::vector<ClipId>& ids, Fade fade);
Result<Project> setFadeOut(const Project& p, const std::vector<ClipId>& ids, Fade fade);
// Of locked clips, too.
Result<Project> setLocked(const Project& p, const std::vector<ClipId>& ids, bool locked);

} // namespace project
