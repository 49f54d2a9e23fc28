#include "project/sets.h"

#include "hear/onsets.h"
#include "project/arriving.h"
#include "project/changed.h"
#include "project/settle.h"
#include "sound/audio_store.h"
#include "sound/scratch.h"
#include "stretch/strikes.h"

#include <cmath>
#include <set>

namespace project {

namespace {

// Stems last two bars or eight seconds; single sounds are often equally long, and have nothing to do with each
// other.
bool mayBeStem(const Source& s) {
    constexpr double longEnough = 8;
    return s.length().value >= longEnough || (s.beats && s.endBeat() >= s.metre().bar() * 2.0);
}

bool areEquallyLong(const Source& a, const Source& b) {
    return std::abs((a.length() - b.length()).value) <= setSlack.value;
}

std::vector<SourcePtr> sourcesOf(const Project& p, const std::vector<SourceId>& ids) {
    std::vector<SourcePtr> list;
    for (const SourceId id : ids)
        if (auto s = sourceOf(p, id)) list.push_back(std::move(s));
    return list;
}

// Whatever the members are called, and in whatever order they come.
base::Key keyOfSum(const std::vector<SourcePtr>& members) {
    std::set<std::string> contents;
    for (const SourcePtr& s : members)
        contents.insert(s->content);
    base::KeyMaker maker;
    maker.add("sum").add(static_cast<std::uint64_t>(members.front()->sound->audio.rate));
    for (const std::string& content : contents)
        maker.add(content);
    return maker.key();
}

struct Sum {
    sound::AudioPtr audio;
    hear::Recording recording;
    std::vector<hear::Onset> onsets; // of the recording
};

Result<Sum> listenedSum(const std::vector<SourcePtr>& members, const base::Progress& progress) {
    std::vector<std::shared_ptr<const Sound>> sounds;
    sounds.reserve(members.size());
    for (const SourcePtr& s : members)
        sounds.push_back(s->sound);
    Sum sum;
    sum.audio = sumOf(sounds);
    if (progress.stopped()) return base::cancelled();
    progress.at(0.2);
    auto recording = hear::Recording::of(*sum.audio);
    if (!recording) return tl::unexpected(recording.error());
    sum.recording = std::move(*recording);
    sum.onsets = hear::onsets(sum.recording, 0.5, progress.part(0.3, 1));
    if (progress.stopped()) return base::cancelled();
    return sum;
}

KnownOnsets onsetsOf(const Sum& sum) {
    KnownOnsets found{sum.onsets, hear::refinedIn(*sum.audio, sum.onsets), {}};
    std::vector<Frames> places;
    for (const hear::Onset& o : found.attacks)
        places.push_back(o.at);
    found.strikes = stretch::strikesIn(*sum.audio, places);
    return found;
}

std::shared_ptr<const Sound> anchored(const Sound& sound, const Anchors& anchors) {
    return std::make_shared<const Sound>(sound, anchors.onsets, anchors.strikes);
}

// The readings of all, the surest of each witness; the key of a reading comes from nowhere else.
std::vector<hear::Reading> readingsOf(const std::vector<SourcePtr>& members) {
    Source all;
    for (const SourcePtr& s : members)
        for (const hear::Reading& r : s->readings) {
            if (r.by == hear::Witness::Heard || r.by == hear::Witness::Length) continue;
            const hear::Reading* before = readingBy(all, r.by);
            if (before == nullptr || (r.bpm && (!before->bpm || r.sureness > before->sureness))) putReading(all, r);
        }
    return all.readings;
}

} // namespace

Source inTimeWith(const Source& source, const Source& changed) {
    Source timed = source;
    timed.readings = changed.readings;
    timed.chosen = changed.chosen;
    timed.beats = changed.beats;
    timed.loopBeats = changed.loopBeats;
    timed.beatsInBar = changed.beatsInBar;
    timed.beatUnit = changed.beatUnit;
    timed.notes = changed.notes;
    timed.straight = changed.straight;
    timed.window = changed.window;
    timed.marks = changed.marks;
    // They may differ in length by a few milliseconds.
    if (timed.marks) timed.marks->to = std::min(timed.marks->to, timed.length());
    return timed;
}

std::vector<SourceId> togetherWith(const Project& p, SourceId id) {
    const SourcePtr one = sourceOf(p, id);
    if (!one || !one->set) return {id};
    std::vector<SourceId> ids;
    for (const SourcePtr& s : p.sources)
        if (s->set == one->set) ids.push_back(s->id);
    return ids;
}

std::vector<SourceId> withTheirSets(const Project& p, const std::vector<SourceId>& ids) {
    std::vector<SourceId> all;
    for (const SourceId id : ids)
        for (const SourceId each : togetherWith(p, id))
            if (std::find(all.begin(), all.end(), each) == all.end()) all.push_back(each);
    return all;
}

std::vector<SourceId> oneOfEachSet(const Project& p, const std::vector<SourceId>& ids) {
    std::vector<SourceId> list;
    std::set<SetId> seen;
    for (const SourceId id : ids) {
        const SourcePtr s = sourceOf(p, id);
        if (!s || !s->set || seen.insert(*s->set).second) list.push_back(id);
    }
    return list;
}

std::vector<std::vector<SourceId>> likelySets(const Project& p, const std::vector<SourceId>& ids) {
    std::vector<SourcePtr> left;
    for (const SourcePtr& s : sourcesOf(p, ids))
        if (!s->set && s->sound && mayBeStem(*s)) left.push_back(s);
    std::vector<std::vector<SourceId>> groups;
    while (!left.empty()) {
        const SourcePtr first = left.front();
        std::vector<SourceId> group;
        std::erase_if(left, [&](const SourcePtr& s) {
            const bool fits = areEquallyLong(*s, *first);
            if (fits) group.push_back(s->id);
            return fits;
        });
        if (group.size() > 1) groups.push_back(std::move(group));
    }
    return groups;
}

Result<void> mayBeSet(const Project& p, const std::vector<SourceId>& ids) {
    const std::vector<SourcePtr> members = sourcesOf(p, ids);
    if (members.size() < 2 || members.size() != ids.size())
        return base::problem("A set takes two sources or more that were recorded together.");
    for (const SourcePtr& s : members) {
        if (s->set) return base::problem(fmt::format("{} belongs to a set already; dissolve that first.", s->name));
        if (!s->sound) return base::problem(fmt::format("The audio of {} is missing.", s->name));
        if (!areEquallyLong(*s, *members.front()))
            return base::problem(
                fmt::format("{} is {:.3f} s long and {} {:.3f} s; what was recorded together is equally long.",
                            members.front()->name, members.front()->length().value, s->name, s->length().value));
    }
    return {};
}

sound::AudioPtr sumOf(const std::vector<std::shared_ptr<const Sound>>& sounds) {
    Frames length(0);
    for (const auto& s : sounds)
        length = std::max(length, s->audio.frames());
    const float share = 1 / static_cast<float>(sounds.size());
    return sound::madeAside(sounds.front()->audio.rate, 1, length, [&](Frames from, sound::Audio& block) {
        float* to = block.channels.front().data();
        for (const auto& s : sounds) {
            const auto& channels = s->audio.channels;
            const std::int64_t n = std::min(block.frames(), s->audio.frames() - from).value;
            for (const sound::Samples& samples : channels)
                for (std::int64_t i = 0; i < n; ++i)
                    to[i] += share * samples[static_cast<std::size_t>(from.value + i)] /
                             static_cast<float>(channels.size());
        }
    });
}

Result<Anchors> anchorsOf(const std::vector<SourcePtr>& members, sound::AudioStore* store,
                          const base::Progress& progress) {
    const base::Key key = keyOfSum(members);
    if (store != nullptr)
        if (const auto note = store->note(key))
            if (auto known = onsetsIn(*note)) return Anchors{std::move(known->attacks), std::move(known->strikes)};
    const auto sum = listenedSum(members, progress);
    if (!sum) return tl::unexpected(sum.error());
    KnownOnsets found = onsetsOf(*sum);
    if (store != nullptr) store->setNote(key, noteOfOnsets(found));
    return Anchors{std::move(found.attacks), std::move(found.strikes)};
}

Result<HeardTogether> hearTogether(const std::vector<SourcePtr>& members, const hear::Window& window,
                                   sound::AudioStore* store, const base::Progress& progress) {
    const auto sum = listenedSum(members, progress.part(0, 0.5));
    if (!sum) return tl::unexpected(sum.error());
    HeardTogether out;
    out.heard = hear::listen(sum->recording, sum->onsets, window, progress.part(0.5, 1));
    if (progress.stopped()) return base::cancelled();
    KnownOnsets found = onsetsOf(*sum);
    if (store != nullptr) store->setNote(keyOfSum(members), noteOfOnsets(found));
    out.anchors = {std::move(found.attacks), std::move(found.strikes)};
    return out;
}

Result<Source> heardAnew(const std::vector<SourcePtr>& group, const hear::Window& window, sound::AudioStore* store,
                         const base::Progress& progress) {
    Source s = *group.front();
    s.window = window;
    if (s.set) {
        const auto together = hearTogether(group, window, store, progress);
        if (!together) return tl::unexpected(together.error());
        takeIn(s, together->heard);
    } else {
        listenTo(s, progress);
    }
    if (progress.stopped()) return base::cancelled();
    return s;
}

Result<Project> makeSet(const Project& p, const std::vector<SourceId>& ids, const HeardTogether& together) {
    if (auto may = mayBeSet(p, ids); !may) return tl::unexpected(may.error());
    const std::vector<SourcePtr> members = sourcesOf(p, ids);
    Source whole = *members.front();
    whole.readings = readingsOf(members);
    whole.loopBeats.reset();
    whole.marks.reset();
    whole.sound = anchored(*whole.sound, together.anchors);
    takeIn(whole, together.heard);
    // Where somebody has said what one of them is, that counts for all.
    const auto said = std::find_if(members.begin(), members.end(), [](const SourcePtr& s) {
        return s->beats && (s->chosen == hear::Witness::Typed || s->chosen == hear::Witness::Tapped);
    });
    if (said != members.end()) {
        whole.beats = (*said)->beats;
        whole.chosen = (*said)->chosen;
        whole.loopBeats = (*said)->loopBeats;
        if (const hear::Reading* r = readingBy(**said, *whole.chosen)) putReading(whole, *r);
    } else {
        whole.beats.reset();
        whole.chosen.reset();
        settle(whole);
    }
    Project out = p;
    const SetId set{out.nextId++};
    std::vector<ClipId> all;
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips)
            if (std::find(ids.begin(), ids.end(), c.source) != ids.end()) all.push_back(c.id);
    if (auto may = mayChange(p, all); !may) return tl::unexpected(may.error());
    std::vector<std::vector<Beats>> places; // of each member's clips, in the order of the tracks
    for (const SourcePtr& before : members) {
        auto now = std::make_shared<Source>(inTimeWith(*before, whole));
        now->set = set;
        now->sound = anchored(*before->sound, together.anchors);
        if (!now->key && together.heard.key && canFollowKey(now->kind)) now->key = together.heard.key->key;
        for (SourcePtr& s : out.sources.altered())
            if (s->id == now->id) s = now;
        std::vector<Beats>& own = places.emplace_back();
        std::size_t nth = 0;
        eachTrack(out, [&](Track& track) {
            bool any = false;
            for (Clip& c : track.clips) {
                if (c.source != now->id) continue;
                any = true;
                refit(c, *before, *now);
                own.push_back(c.at);
                // Each stands where the first one's stands.
                if (nth < places.front().size()) c.at = places.front()[nth];
                ++nth;
            }
            return any;
        });
    }
    return out;
}

Result<Project> partSet(const Project& p, SetId set,
                        const std::vector<std::pair<SourceId, std::shared_ptr<const Sound>>>& sounds) {
    Project out = p;
    bool any = false;
    for (SourcePtr& s : out.sources.altered()) {
        if (s->set != set) continue;
        any = true;
        auto alone = std::make_shared<Source>(*s);
        alone->set.reset();
        for (const auto& [id, sound] : sounds)
            if (id == s->id && sound && s->sound && sound->audio.rate == s->sound->audio.rate) alone->sound = sound;
        s = std::move(alone);
    }
    if (!any) return base::problem("That set is no longer in the project.");
    return out;
}

void anchorSets(Project& p, sound::AudioStore* store, const base::Progress& progress) {
    std::set<SetId> sets;
    for (const SourcePtr& s : p.sources)
        if (s->set && s->sound) sets.insert(*s->set);
    double done = 0;
    for (const SetId set : sets) {
        std::vector<SourcePtr> members;
        for (const SourcePtr& s : p.sources)
            if (s->set == set && s->sound) members.push_back(s);
        const auto count = static_cast<double>(sets.size());
        const auto anchors = anchorsOf(members, store, progress.part(done / count, (done + 1) / count));
        ++done;
        if (!anchors) continue; // they keep their own
        for (SourcePtr& s : p.sources.altered()) {
            if (s->set != set || !s->sound) continue;
            auto again = std::make_shared<Source>(*s);
            again->sound = anchored(*s->sound, *anchors);
            s = std::move(again);
        }
    }
}

std::vector<ClipId> withTheirSetsHere(const Project& p, const std::vector<ClipId>& ids) {
    std::vector<ClipId> all = ids;
    for (const ClipId id : ids) {
        const Clip* clip = clipOf(p, id);
        if (clip == nullptr) continue;
        const std::vector<SourceId> set = togetherWith(p, clip->source);
        if (set.size() < 2) continue;
        for (const TrackPtr& t : p.tracks)
            for (const Clip& c : t->clips)
                if (c.at == clip->at && std::find(set.begin(), set.end(), c.source) != set.end() &&
                    std::find(all.begin(), all.end(), c.id) == all.end())
                    all.push_back(c.id);
    }
    return all;
}

} // namespace project
