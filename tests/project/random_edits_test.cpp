// Thousands of edits in no order, with undo, redo and late answers between: what must hold holds after each.
#include "project/counted.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_pins.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/history.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/lead.h"
#include "project/part.h"
#include "project/recordings.h"
#include "project/save.h"
#include "project/sets.h"
#include "project/take_time.h"
#include "support/audio.h"
#include "support/laid.h"

#include <functional>
#include <gtest/gtest.h>
#include <random>
#include <set>

namespace {

using namespace project;

class Dice {
  public:
    explicit Dice(unsigned seed) : random_(seed) {}
    int below(int n) { return std::uniform_int_distribution<int>(0, n - 1)(random_); }
    double between(double low, double high) { return std::uniform_real_distribution<double>(low, high)(random_); }
    bool coin() { return below(2) == 0; }
    template <class T>
    const T& of(const std::vector<T>& list) {
        return list[static_cast<std::size_t>(below(static_cast<int>(list.size())))];
    }

  private:
    std::mt19937 random_;
};

Source sourceNamed(const std::string& name, double seconds, std::optional<double> bpm, std::size_t pins = 2) {
    Source s;
    s.name = s.content = name;
    s.file = "/nowhere/" + name + ".wav";
    s.facts = {48000, 1, Frames(std::llround(seconds * 48000)), "WAV 16-bit"};
    s.sound = soundOf(support::strokes({0, 24000}, seconds));
    if (bpm) {
        std::vector<metre::Pin> list;
        for (std::size_t i = 0; i < pins; ++i)
            list.push_back({Seconds(double(i) * 60 / *bpm * (1 + 0.02 * double(i % 3))), Beats(double(i))});
        s.beats = *metre::BeatMap::make(list);
        hear::Reading r;
        r.by = hear::Witness::Name;
        r.bpm = s.beats->meanTempo();
        r.sureness = 0.9;
        s.readings.push_back(r);
        s.chosen = hear::Witness::Name;
    }
    return s;
}

Project beginning() {
    return addSources(*setTempo({}, Bpm(104)),
                      {sourceNamed("hands", 8.5, 112), sourceNamed("bell", 3, {}), sourceNamed("free", 7, 97, 9),
                       sourceNamed("long", 31, 64), sourceNamed("stem one", 12, 100),
                       sourceNamed("stem two", 12, 100), sourceNamed("late", 9, {})})
        .project;
}

// What is heard of a source once its clips are placed.
std::shared_ptr<const Source> heardLate(Dice& dice, const Source& s) {
    auto heard = std::make_shared<Source>(s);
    hear::Reading r;
    r.by = hear::Witness::Heard;
    r.bpm = Bpm(dice.between(70, 160));
    r.sureness = 0.9;
    heard->readings = {r};
    heard->beats = *metre::BeatMap::make({{Seconds(0.1), Beats(0)}, {Seconds(0.1 + 480 / r.bpm->value), Beats(8)}});
    heard->chosen = hear::Witness::Heard;
    return heard;
}

std::shared_ptr<const Sound> atAnotherRate(const Source& s, int rate) {
    sound::Audio audio(rate, 1, Frames(std::llround(s.length().value * rate)));
    return std::make_shared<const Sound>(std::move(audio));
}

// A late answer of any kind, about a source that may be gone by now.
Patch anyAnswer(Dice& dice, const Project& all, std::set<SourceId>& listenedTo) {
    const SourcePtr s = dice.of(all.sources.list());
    Late late{s->id};
    switch (dice.below(4)) {
    case 0:
        late.file = "/elsewhere/" + s->name + std::to_string(dice.below(3)) + ".wav";
        break;
    case 1:
        late.sound = atAnotherRate(*s, dice.coin() ? 44100 : 48000);
        break;
    case 2:
        // Each is listened to once.
        if (listenedTo.insert(s->id).second) late.heard = heardLate(dice, *s);
        break;
    default:
        late.content = s->name + " again";
        break;
    }
    if (dice.below(10) == 0) late.source = SourceId{987654};
    return {late};
}

std::vector<ClipId> some(Dice& dice, const Project& p) {
    std::vector<ClipId> ids;
    for (const ClipId id : allClips(p))
        if (dice.below(4) == 0) ids.push_back(id);
    // Now and then one that is not there, or none.
    if (dice.below(40) == 0) ids.push_back(ClipId{987654});
    return ids;
}

metre::TempoMap anyMap(Dice& dice) {
    std::vector<metre::TempoPoint> points = {
        {Beats(0), Bpm(dice.between(60, 180)), metre::TempoPoint::Shape::Ramp}};
    for (int n = dice.below(4); n > 0; --n)
        points.push_back({points.back().at + Beats(dice.between(0.5, 40)), Bpm(dice.between(60, 180)),
                          dice.coin() ? metre::TempoPoint::Shape::Ramp : metre::TempoPoint::Shape::Hold});
    return *metre::TempoMap::make(points);
}

Result<Project> arranged(Result<Arranged> made) {
    if (!made) return tl::unexpected(made.error());
    // So that the documents do not grow without end.
    if (allClips(made->project).size() > 40) return base::problem("Too many clips for this test.");
    for (const ClipId id : made->clips)
        EXPECT_NE(clipOf(made->project, id), nullptr);
    return std::move(made->project);
}

// One edit of any kind, possible or not.
Result<Project> anyEdit(Dice& dice, const Project& p) {
    const auto clips = some(dice, p);
    const SourceId source = dice.of(p.sources.list())->id;
    const TrackId track = p.tracks.empty() || dice.below(30) == 0 ? TrackId{424242} : dice.of(p.tracks)->id;
    const Fade fade{Seconds(dice.between(-1, 20)), dice.coin() ? Fade::Shape::Linear : Fade::Shape::EqualPower};
    const std::vector<std::function<Result<Project>()>> kinds = {
        [&] { return setTempo(p, Bpm(dice.between(15, 420))); },
        [&] { return setTempoMap(p, anyMap(dice)); },
        [&] {
            return setMetre(p, {1 + dice.below(12), 1 << dice.below(4)});
        },
        [&] {
            return setLoop(p, {Beats(dice.between(-2, 30)), Beats(dice.between(0, 60))});
        },
        [&]() -> Result<Project> { return addTrack(p, "track").project; },
        [&] { return dice.below(6) == 0 ? removeTrack(p, track) : renameTrack(p, track, "named"); },
        [&] { return setMute(p, track, dice.coin()); },
        [&] { return setSolo(p, track, dice.coin()); },
        [&] { return turnTrackGain(p, track, dice.between(-30, 30)); },
        [&] { return setTrackGain(p, track, dice.between(-90, 40)); },
        [&] { return setPan(p, track, dice.between(-1.2, 1.2)); },
        [&]() -> Result<Project> {
            auto placed =
                place(p, source, dice.coin() ? std::optional(track) : std::nullopt, Beats(dice.below(200)));
            if (!placed) return tl::unexpected(placed.error());
            return placed->project;
        },
        [&]() -> Result<Project> {
            auto placed = place(p, source, track, Beats(dice.between(0, 50)));
            if (!placed) return tl::unexpected(placed.error());
            return placed->project;
        },
        [&] { return moveClips(p, clips, Beats(dice.between(-30, 30)), dice.below(3) - 1); },
        [&] {
            return dice.below(3) == 0 ? removeClips(p, clips)
                                      : setRule(p, clips, dice.coin() ? TimeRule::Place : TimeRule::Stretch);
        },
        [&] { return setMethod(p, clips, stretch::methods()[static_cast<std::size_t>(dice.below(5))]); },
        [&] { return setTranspose(p, clips, dice.between(-30, 30)); },
        [&] { return turnTranspose(p, clips, dice.between(-3, 3)); },
        [&] { return setFormants(p, clips, dice.coin()); },
        [&] { return setGain(p, clips, dice.between(-90, 40)); },
        [&] { return turnGain(p, clips, dice.between(-30, 30)); },
        [&] { return setChannels(p, clips, static_cast<Channels>(dice.below(5))); },
        [&] { return setFadeIn(p, clips, fade); },
        [&] { return setFadeOut(p, clips, fade); },
        [&] { return setLocked(p, clips, dice.below(4) == 0); },
        [&] { return fitToBars(p, clips, dice.below(20)); },
        [&] { return setSourceTempo(p, source, Bpm(dice.between(30, 300)), hear::Witness::Typed); },
        [&] { return setSourceBeats(p, source, dice.below(40)); },
        [&] { return setMarks(p, source, Seconds(dice.between(-0.2, 3)), Seconds(dice.between(0, 4))); },
        [&] { return setFirstDownbeat(p, source, Seconds(dice.between(-0.5, 4))); },
        [&] { return chooseReading(p, source, dice.coin() ? hear::Witness::Name : hear::Witness::Typed); },
        [&] {
            return setSourceKey(p, source, hear::Key{dice.below(12), dice.coin()});
        },
        [&] { return arranged(split(p, clips, Beats(dice.between(0, 60)))); },
        [&] { return arranged(sliceEqually(p, clips, dice.below(6))); },
        [&] { return arranged(sliceAtOnsets(p, clips, dice.between(0, 1))); },
        [&] { return arranged(copyClips(p, clips, Beats(dice.between(-10, 20)), dice.below(3) - 1)); },
        [&] { return arranged(paste(p, take(p, clips), Beats(dice.between(0, 40)))); },
        [&] { return trim(p, clips, dice.coin() ? Side::Left : Side::Right, Beats(dice.between(-8, 8))); },
        [&] { return trimSilence(p, clips); },
        [&] {
            return clips.empty() ? setRepeats(p, clips, 2) : repeatUntil(p, clips[0], Beats(dice.between(0, 80)));
        },
        [&] { return setRepeats(p, clips, dice.between(-1, 5)); },
        [&] {
            return clips.empty() ? setRepeats(p, clips, 2)
                                 : stretchEdge(p, clips, clips[0], dice.coin() ? Side::Left : Side::Right,
                                               Beats(dice.between(0, 60)));
        },
        [&] { return countForRecording(p, clips); },
        [&] { return setStretch(p, clips, dice.between(20, 420)); },
        [&] { return setTurn(p, clips, Beats(dice.between(-1, 6)), Beats(dice.between(0, 12))); },
        [&] { return setGoesRound(p, clips, dice.coin()); },
        [&] { return setOffset(p, clips, Beats(dice.between(-1, 10))); },
        [&] { return crossTouching(p, clips, Seconds(dice.between(-0.1, 1))); },
        [&] { return bringTo(p, clips, Beats(dice.between(0, 40))); },
        [&] { return setRule(p, clips, static_cast<TimeRule>(dice.below(4))); },
        [&] { return setRule(p, clips, {}); },
        [&] { return setTrackRule(p, track, static_cast<TimeRule>(dice.below(4))); },
        [&]() -> Result<Project> { return setProjectRule(p, static_cast<TimeRule>(dice.below(4))); },
        [&]() -> Result<Project> { return setFollowing(p, dice.coin()); },
        [&] { return setSourceFollowing(p, {source}, dice.coin()); },
        [&] { return fitNow(p, clips); },
        [&] { return setFollowsKey(p, clips, dice.coin()); },
        [&] { return setToRelatives(p, clips, dice.coin()); },
        [&] {
            return setKeyAt(p, dice.below(12), hear::Key{dice.below(12), dice.coin()});
        },
        [&] {
            return setMetreAt(p, dice.below(12), {1 + dice.below(7), 4});
        },
        [&] {
            return putTempoPoint(p,
                                 {Beats(dice.between(-2, 60)), Bpm(dice.between(10, 220)),
                                  dice.coin() ? metre::TempoPoint::Shape::Ramp : metre::TempoPoint::Shape::Hold});
        },
        [&] {
            return shiftTempo(p, {Beats(dice.between(0, 30)), Beats(dice.between(0, 60))}, dice.between(-40, 40));
        },
        [&] { return putSection(p, Beats(dice.below(40)), "section"); },
        [&] { return moveTrack(p, track, static_cast<std::size_t>(dice.below(6))); },
        [&]() -> Result<Project> {
            auto made = duplicateTrack(p, track);
            if (!made) return tl::unexpected(made.error());
            return made->project;
        },
        [&] { return setName(p, clips, dice.coin() ? "name" : ""); },
        [&] { return setTint(p, clips, dice.coin() ? std::optional(dice.below(8)) : std::nullopt); },
        [&] { return scaleBeats(p, source, dice.between(0.2, 3)); },
        [&]() -> Result<Project> {
            const auto all = allClips(p);
            if (all.empty()) return base::problem("There is no clip.");
            return setLead(p, dice.of(all), static_cast<Lead::Every>(dice.below(3)),
                           Seconds(dice.between(-0.02, 0.1)));
        },
        [&]() -> Result<Project> { return dice.coin() ? letGo(p) : holdTempo(p); },
        [&] { return putPin(p, source, Seconds(dice.between(-1, 8)), Beats(dice.below(20))); },
        [&] { return movePins(p, source, {Beats(dice.below(10))}, Seconds(dice.between(-0.1, 0.1))); },
        [&] { return setPinBeat(p, source, Beats(dice.below(10)), Beats(dice.below(10))); },
        [&] { return removePins(p, source, {Beats(dice.below(10))}); },
        [&] { return lockPins(p, source, {Beats(dice.below(10))}, dice.coin()); },
        [&] { return namePin(p, source, Beats(dice.below(10)), "verse"); },
        [&] { return dice.coin() ? forgetPins(p, source) : straightToEnd(p, source, Beats(dice.below(10))); },
        [&] {
            return setStraightness(p, source,
                                   {static_cast<Straightness::To>(dice.below(3)), dice.between(-5, 105)});
        },
        [&] { return shiftDownbeat(p, source, dice.below(9) - 4); },
        [&] {
            return setSourceMetre(p, source, {1 + dice.below(9), dice.coin() ? 4 : 8});
        },
        [&]() -> Result<Project> {
            std::vector<SourceId> stems;
            for (const SourcePtr& s : p.sources)
                if (s->name.rfind("stem", 0) == 0) stems.push_back(s->id);
            HeardTogether together;
            together.heard.bpm = Bpm(dice.between(80, 140));
            together.heard.pins = {{Seconds(0), Beats(0)}, {Seconds(480 / together.heard.bpm->value), Beats(8)}};
            together.anchors.onsets = {{Frames(100), 1}, {Frames(20000), 0.5F}};
            if (auto may = mayBeSet(p, stems); !may) return tl::unexpected(may.error());
            return makeSet(p, stems, together);
        },
        [&]() -> Result<Project> {
            for (const SourcePtr& s : p.sources)
                if (s->set) return partSet(p, *s->set, {});
            return base::problem("There is no set.");
        },
        [&] { return takeProjectTime(p, clips); },
        [&] { return forgetSettled(p, {source}); },
        [&]() -> Result<Project> { return dice.below(3) == 0 ? atRate(p, 44100) : atRate(p, 48000); },
        [&] {
            return dice.below(5) == 0 ? forgetBeat(p, source)
                                      : setSourceTempo(p, source, Bpm(110), hear::Witness::Tapped);
        },
    };
    return kinds[static_cast<std::size_t>(dice.below(static_cast<int>(kinds.size())))]();
}

// What every project keeps to, whatever was done.
void expectSound(const Project& p) {
    for (const TrackPtr& t : p.tracks) {
        EXPECT_TRUE(t->gainDb >= quietestDb && t->gainDb <= loudestDb);
        EXPECT_TRUE(t->pan >= -1 && t->pan <= 1);
        for (const Clip& c : t->clips) {
            EXPECT_TRUE(c.gainDb >= quietestDb && c.gainDb <= loudestDb);
            EXPECT_LE(std::abs(c.stretch.semitones), mostSemitones);
            EXPECT_LT(c.from, c.to);
            EXPECT_NE(sourceOf(p, c.source), nullptr);
        }
    }
}

class Random : public testing::TestWithParam<unsigned> {};

TEST_P(Random, EditsKeepWhatMustHold) {
    Dice dice(GetParam());
    const Project first = beginning();
    History history(first);
    Recordings known;
    known.learn(first);
    // As the window keeps it: the present version with what is known by now.
    Project p;
    const auto compose = [&] {
        p = known.in({history.now(), {}});
        history.refresh(p);
    };
    compose();
    LaidPtr laid = lay(p);
    std::size_t made = 0;
    std::size_t refused = 0;
    std::size_t answers = 0;
    std::set<SourceId> listenedTo;
    for (int step = 0; step < 2500; ++step) {
        const int what = dice.below(10);
        if (what == 0 && history.canUndo()) {
            history.undo();
        } else if (what == 1 && history.canRedo()) {
            history.redo();
        } else if (what == 2 && dice.below(3) == 0) {
            known.take(anyAnswer(dice, first, listenedTo));
            ++answers;
        } else {
            const std::string before = toJson(p, {});
            auto next = anyEdit(dice, p);
            ASSERT_EQ(toJson(p, {}), before) << "an edit alters nothing that it is given";
            if (!next) {
                ++refused;
                ASSERT_FALSE(next.error().text.empty());
                ASSERT_EQ(next.error().text.back(), '.') << next.error().text;
                continue;
            }
            ++made;
            *next = withLead(std::move(*next));
            known.learn(*next);
            history.push(std::move(*next), "edit", {"kind", dice.below(3), dice.below(2)});
        }
        compose();
        laid = lay(p, laid);
        for (const SourcePtr& s : p.sources) {
            ASSERT_TRUE(!s->sound || s->sound->audio.rate == p.rate) << "no sound is heard at another rate";
        }
        expectSound(p);
        if (step % 20 != 0) continue;
        support::expectSameLaid(*laid, *lay(p));
        const std::string saved = toJson(p, {});
        const auto loaded = fromJson(saved, {}, "project.json");
        ASSERT_TRUE(loaded) << loaded.error().text;
        ASSERT_EQ(toJson(*loaded, {}), saved);
        if (HasFailure()) break;
    }
    EXPECT_GT(made, 400U);
    EXPECT_GT(refused, 50U);
    EXPECT_GT(answers, 20U);
    while (history.canUndo())
        history.undo();
    compose();
    EXPECT_EQ(toJson(p, {}), toJson(known.in(first), {}))
        << "undo leads to the beginning, with what is known by now";
}

INSTANTIATE_TEST_SUITE_P(Seeds, Random, testing::Values(1U, 2U, 3U));

} // namespace
