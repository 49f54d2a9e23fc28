// Each job beside each edit: what is done while something is under way is neither lost nor mixed up with it.
#include "deliver/midi_map.h"
#include "project/pins.h"
#include "project/save.h"
#include "project/sets.h"
#include "support/audio.h"
#include "support/laid.h"
#include "ui/window.h"

#include <algorithm>
#include <fstream>
#include <sndfile.h>

namespace {

namespace fs = std::filesystem;
using metre::Beats;
using metre::Bpm;
using namespace ui;
using app::ClipId;
using app::SourceId;

// Short material: every window of every pair brings it in anew.
fs::path clicks(const support::Folder& folder, const std::string& name, double bpm) {
    const fs::path file = folder / (name + ".wav");
    support::writeSound(file, support::drumLoop(support::steadyBeats(bpm, 4), 4 * 60 / bpm),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    return file;
}

struct Stage {
    Window w;
    support::Folder folder;

    Stage() {
        w.session().importing().bringIn({clicks(folder, "one_120bpm", 120), clicks(folder, "two_120bpm", 120)}, {},
                                        Beats(0));
        w.settle();
    }
    std::vector<ClipId> clips() { return project::allClips(w.now()); }
    std::vector<SourceId> sources() {
        std::vector<SourceId> ids;
        for (const auto& s : w.now().sources)
            ids.push_back(s->id);
        return ids;
    }
};

struct Doing {
    const char* name;
    std::function<void(Stage&)> act;
};

std::vector<Doing> jobs() {
    const auto order = [](Stage& s, const char* to) {
        deliver::Order made;
        made.clips = s.clips();
        made.folder = s.folder / to;
        return made;
    };
    return {
        {"import",
         [](Stage& s) {
             s.w.session().importing().bringIn({clicks(s.folder, "three_100bpm", 100)}, {}, Beats(8));
         }},
        {"listen again", [](Stage& s) { s.w.session().listening().again(s.sources(), {}); }},
        {"straighten", [](Stage& s) { s.w.session().listening().straighten(s.sources()[0], hear::Playing::Free); }},
        {"make a set", [](Stage& s) { s.w.session().listening().makeSet(s.sources()); }},
        {"change the rate", [](Stage& s) { s.w.session().sounds().setRate(44100); }},
        {"find missing", [](Stage& s) { s.w.session().sounds().findMissing(s.folder.path()); }},
        {"extract",
         [](Stage& s) {
             s.w.session().document().select({s.clips()[0]});
             s.w.session().sounds().extractPart();
         }},
        {"normalise",
         [](Stage& s) {
             s.w.session().document().select(s.clips());
             s.w.session().levels().normalise(project::Normalise::Peak);
         }},
        {"save", [](Stage& s) { s.w.session().files().save(s.folder / "saved"); }},
        {"deliver",
         [order](Stage& s) {
             const auto o = order(s, "out");
             s.w.session().delivery().deliver(o, *deliver::plan(*s.w.session().laid(), o));
         }},
        {"hand out",
         [](Stage& s) {
             s.w.session().document().select(s.clips());
             s.w.session().delivery().handOut([](const auto&) {});
         }},
        {"take a tempo",
         [](Stage& s) { s.w.session().tempoTaking().fromFile(clicks(s.folder, "four_93bpm", 93)); }},
        {"take a map",
         [](Stage& s) {
             std::ofstream(s.folder / "map.mid", std::ios::binary)
                 << deliver::midiMap(metre::TempoMap(Bpm(97)), s.w.now().metre, Beats(16));
             s.w.session().tempoTaking().fromMap(s.folder / "map.mid");
         }},
        {"prove all", [](Stage& s) { s.w.session().proofs().proveAll(); }},
        {"empty the store", [](Stage& s) { s.w.session().sounds().emptyStore(); }},
        {"recover what is not there", [](Stage& s) { s.w.session().files().recover(s.folder / "nothing"); }},
    };
}

std::vector<Doing> edits() {
    const auto edit = [](Stage& s, base::Result<project::Project> next) {
        s.w.session().edit("Edit", std::move(next));
    };
    return {
        {"nothing", [](Stage&) {}},
        {"delete a clip", [edit](Stage& s) { edit(s, project::removeClips(s.w.now(), {s.clips()[0]})); }},
        {"delete all clips", [edit](Stage& s) { edit(s, project::removeClips(s.w.now(), s.clips())); }},
        {"tempo", [edit](Stage& s) { edit(s, project::setTempo(s.w.now(), Bpm(90))); }},
        {"rule", [edit](Stage& s) { edit(s, project::setRule(s.w.now(), s.clips(), project::TimeRule::Slices)); }},
        {"another tempo of a source",
         [edit](Stage& s) {
             edit(s, project::setSourceTempo(s.w.now(), s.sources()[0], Bpm(60), hear::Witness::Typed));
         }},
        {"lead", [](Stage& s) { s.w.session().tempoTaking().leadAsItIsPlayed(s.clips()[0]); }},
        {"undo", [](Stage& s) { s.w.session().document().undo(); }},
        {"undo and redo",
         [](Stage& s) {
             s.w.session().document().undo();
             s.w.session().document().redo();
         }},
        {"a new project", [](Stage& s) { s.w.session().files().startNew(); }},
    };
}

class Beside : public testing::TestWithParam<std::size_t> {};

TEST_P(Beside, WhateverIsEditedMeanwhileHoldsAndCanBeTakenBack) {
    const Doing job = jobs()[GetParam()];
    for (const Doing& edit : edits()) {
        SCOPED_TRACE(std::string(job.name) + " beside " + edit.name);
        Stage s;
        ASSERT_EQ(s.w.now().sources.size(), 2U);
        job.act(s);
        edit.act(s);
        s.w.settle();
        const project::LaidPtr laid = s.w.session().laid();
        support::expectSameLaid(*laid, *project::lay(s.w.now()));
        for (const auto& track : s.w.now().tracks)
            for (const project::Clip& clip : track->clips)
                EXPECT_NE(project::sourceOf(s.w.now(), clip.source), nullptr) << "a clip of nothing";
        for (const auto& source : s.w.now().sources)
            EXPECT_TRUE(source->sound == nullptr || source->sound->audio.rate == s.w.now().rate)
                << source->name << " is at another rate than the project";
        // Saved and loaded, it is the same; every step can be taken back and done again.
        const auto saved = project::saveProject(s.w.now(), s.folder / "kept", true, {}, nullptr);
        ASSERT_TRUE(saved) << saved.error().text;
        const auto loaded = project::loadProject(s.folder / "kept", {}, nullptr);
        ASSERT_TRUE(loaded) << loaded.error().text;
        EXPECT_EQ(loaded->project.tracks.size(), s.w.now().tracks.size());
        EXPECT_TRUE(loaded->warnings.empty());
        app::Document& document = s.w.session().document();
        int steps = 0;
        for (; document.history().canUndo(); ++steps)
            document.undo();
        EXPECT_TRUE(s.w.now().tracks.empty()) << "the first import is taken back with all that came after";
        for (; document.history().canRedo(); --steps)
            document.redo();
        EXPECT_LE(steps, 0) << "what was undone meanwhile is done again with them";
        s.w.settle();
        support::expectSameLaid(*s.w.session().laid(), *project::lay(s.w.now()));
    }
}

std::string nameOf(const testing::TestParamInfo<std::size_t>& job) {
    std::string name = jobs()[job.param].name;
    std::replace(name.begin(), name.end(), ' ', '_');
    return name;
}

INSTANTIATE_TEST_SUITE_P(Jobs, Beside, testing::Range<std::size_t>(0, jobs().size()), nameOf);

} // namespace
