#include "play/guest.h"

#include "project/settle.h"

#include <algorithm>
#include <cmath>

namespace play {

using metre::Beats;

namespace {

// Numbers of their own, far from those that a project gives.
constexpr std::int64_t firstGuestId = std::int64_t(1) << 52;

project::SourceId sourceIdOf(std::int64_t guest) {
    return {firstGuestId + 4 * guest};
}

// All of it, once, from `at` on.
project::Clip clipOf(const Guest& guest) {
    const project::Source& s = *guest.source;
    project::Clip clip;
    clip.id = clipOfGuest(guest.id);
    clip.source = sourceIdOf(guest.id);
    clip.at = guest.at;
    clip.to = s.wholeEnd();
    clip.rule = isFitted(guest) ? project::TimeRule::Stretch : project::TimeRule::Place;
    clip.stretch.method = project::methodFor(s.kind);
    clip.stretch.loop = s.wholeBeats().has_value();
    clip.followsKey = clip.toRelatives = guest.inKey;
    return clip;
}

void addTo(project::Project& p, const Guest& guest, project::Clip clip) {
    project::Source source = *guest.source;
    source.id = sourceIdOf(guest.id);
    source.following = true;
    p.sources.altered().push_back(std::make_shared<const project::Source>(std::move(source)));
    project::Track track;
    track.id = {firstGuestId + 4 * guest.id + 2};
    track.name = guest.source->name;
    track.gainDb = guest.db;
    track.solo = std::any_of(p.tracks.begin(), p.tracks.end(), [](const auto& t) { return t->solo; });
    track.clips.push_back(std::move(clip));
    p.tracks.push_back(std::make_shared<const project::Track>(std::move(track)));
}

} // namespace

bool isFitted(const Guest& guest) {
    const project::Source& s = *guest.source;
    return guest.inTempo && s.beats && s.kind != hear::Kind::OneHit && !hear::isMaybe(s.readings, s.chosen);
}

project::ClipId clipOfGuest(std::int64_t guest) {
    return {firstGuestId + 4 * guest + 1};
}

std::int64_t guestOf(project::ClipId clip) {
    return clip.value < firstGuestId ? 0 : (clip.value - firstGuestId) / 4;
}

Beats turnOf(const project::Project& p, const Guest& guest, Beats at) {
    const project::Source& s = *guest.source;
    if (isFitted(guest)) return s.beats->beatAt(s.wholeEnd());
    const metre::Seconds downbeat = s.beats ? s.beats->secondsAt(Beats(0)) : metre::Seconds(0);
    return p.tempo.beatAt(p.tempo.secondsAt(at) + (s.wholeEnd() - downbeat)) - at;
}

project::Project withGuests(const project::Project& p, const std::vector<Guest>& guests, const GuestCover& cover) {
    project::Project out = p;
    out.following = true; // which the guests do, whatever the others were told
    if (!p.following)
        for (project::SourcePtr& s : out.sources.altered()) {
            auto still = std::make_shared<project::Source>(*s);
            still->following = false;
            s = std::move(still);
        }
    for (const Guest& guest : guests) {
        project::Clip clip = clipOf(guest);
        const project::Source& s = *guest.source;
        if (guest.repeat) {
            const bool fitted = isFitted(guest);
            const Beats turn = turnOf(p, guest, guest.at);
            const double back =
                fitted ? std::max(0.0, std::ceil((guest.at - cover.from).value / turn.value - 1e-9)) : 0.0;
            const double rounds = std::max(1.0, std::ceil((cover.to - guest.at).value / turn.value)) + back;
            clip.at = guest.at - turn * back;
            clip.stretch.loop = true;
            const metre::Seconds downbeat = s.beats ? s.beats->secondsAt(Beats(0)) : metre::Seconds(0);
            clip.from = downbeat;
            clip.turn = project::Marks{downbeat, s.wholeEnd()};
            clip.to = downbeat + (s.wholeEnd() - downbeat) * rounds;
        }
        addTo(out, guest, std::move(clip));
    }
    return out;
}

project::Project alone(const project::Project& p, const Guest& guest, Beats here) {
    project::Project out;
    out.rate = p.rate;
    out.view.outputDb = p.view.outputDb;
    out.tempo = metre::TempoMap(p.tempo.tempoAt(here));
    out.metre = metre::MetreMap(p.metre.metreAt(here));
    out.keys = project::KeyMap(p.keys.keyAt(p.metre.barAt(here)));
    Guest placed = guest;
    placed.at = Beats(0);
    addTo(out, placed, clipOf(placed));
    out.loop = {Beats(0), turnOf(out, placed, Beats(0))};
    out.view.looping = guest.repeat;
    return out;
}

} // namespace play
