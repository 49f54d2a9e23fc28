// A clip that is rendered from beginning to end, with what is rendered of it already.
#include "project/clip_rendering.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/whole.h"

#include <gtest/gtest.h>

namespace {

using namespace project;
using metre::Beats;
using metre::Bpm;
using metre::Frames;

LaidPtr fitted() {
    const Project p = *setTempo({}, Bpm(104));
    auto added = addSources(p, {importFile(support::demoAudio("winch_hands_112bpm.wav"), 48000)->source});
    return lay(placeSources(added.project, added.ids, {}, Beats(0))->project);
}

std::vector<float> whole(const ClipRendering& rendering) {
    const sound::Audio all = support::wholeOf(rendering.blocks(1, {}));
    return {all.channels[0].begin(), all.channels[0].end()};
}

// The rendering in pieces, as playing makes them; `but`: without that piece.
Renderings inPieces(const Timing& timing, std::size_t pieces, std::optional<std::size_t> but = {}) {
    const Part& part = timing.parts.front();
    const auto plan = planOf(*part.job);
    Renderings all;
    for (std::size_t i = 0; i < pieces; ++i) {
        if (i == but) continue;
        const Frames from(plan->length().value * std::int64_t(i) / std::int64_t(pieces));
        const Frames to(plan->length().value * std::int64_t(i + 1) / std::int64_t(pieces));
        all[part.job->key].push_back({from, std::make_shared<const sound::Audio>(*plan->piece(from, to))});
    }
    return all;
}

TEST(ClipRendering, WhatIsRenderedAlreadyGivesTheSameToTheBit) {
    const LaidPtr laid = fitted();
    const Timing& timing = laid->clips()[0].time();
    ASSERT_EQ(timing.parts.size(), 1U);
    ASSERT_TRUE(timing.stretched);
    const std::vector<float> anew = whole(*ClipRendering::plan(timing));
    EXPECT_EQ(std::int64_t(anew.size()), timing.length.value);
    EXPECT_EQ(whole(*ClipRendering::plan(timing, std::make_shared<Renderings>(inPieces(timing, 7)))), anew);
}

TEST(ClipRendering, WhatIsRenderedAlreadyIsNotRenderedAgain) {
    const LaidPtr laid = fitted();
    const Timing& timing = laid->clips()[0].time();
    Renderings marked = inPieces(timing, 3);
    for (auto& [key, spans] : marked)
        for (RenderedSpan& span : spans) {
            auto silent = std::make_shared<sound::Audio>(48000, span.audio->channelCount(), span.audio->frames());
            span.audio = std::move(silent);
        }
    for (const float s : whole(*ClipRendering::plan(timing, std::make_shared<Renderings>(marked))))
        ASSERT_EQ(s, 0) << "it was rendered anew";
}

TEST(ClipRendering, WhereAPieceIsMissingAllOfItIsRendered) {
    const LaidPtr laid = fitted();
    const Timing& timing = laid->clips()[0].time();
    const std::vector<float> anew = whole(*ClipRendering::plan(timing));
    for (const std::size_t but : {std::size_t(0), std::size_t(2), std::size_t(4)})
        EXPECT_EQ(whole(*ClipRendering::plan(timing, std::make_shared<Renderings>(inPieces(timing, 5, but)))), anew)
            << "without piece " << but;
}

// Eight bars at a slow tempo: several blocks, which are made ahead of whoever asks for them.
LaidPtr slow() {
    const Project p = *setTempo({}, Bpm(60));
    auto added = addSources(p, {importFile(support::demoAudio("winch_hands_112bpm.wav"), 48000)->source});
    return lay(placeSources(added.project, added.ids, {}, Beats(0))->project);
}

TEST(ClipRendering, BlocksMayBeAskedForAnew) {
    const LaidPtr laid = slow();
    const auto rendering = ClipRendering::plan(laid->clips().front().time());
    ASSERT_TRUE(rendering);
    const sound::Blocks blocks = rendering->blocks(1, {});
    const sound::Audio first = **blocks.next(Frames(0));
    ASSERT_LT(first.frames(), blocks.length) << "there is more than one";
    const sound::Audio second = **blocks.next(first.frames());
    EXPECT_EQ((*blocks.next(Frames(0)))->channels, first.channels) << "from the beginning";
    EXPECT_EQ((*blocks.next(first.frames()))->channels, second.channels);
    EXPECT_EQ((*blocks.next(first.frames()))->channels, second.channels) << "the same again";
    const auto whole = planOf(*laid->clips().front().time().job())->whole();
    ASSERT_TRUE(whole);
    EXPECT_EQ(support::wholeOf(blocks).channels, whole->channels);
}

TEST(ClipRendering, StoppedNoBlockIsMade) {
    const LaidPtr laid = slow();
    const auto rendering = ClipRendering::plan(laid->clips().front().time());
    std::stop_source stop;
    const sound::Blocks blocks = rendering->blocks(1, stop.get_token());
    stop.request_stop();
    const auto next = blocks.next(Frames(0));
    ASSERT_FALSE(next);
    EXPECT_TRUE(next.error().cancelled);
}

} // namespace
