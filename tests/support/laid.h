// Whether two layings of a project are the same.
#pragma once

#include "project/laid.h"

#include <gtest/gtest.h>

namespace support {

inline void expectSameLaid(const project::Laid& a, const project::Laid& b) {
    ASSERT_EQ(a.clips().size(), b.clips().size());
    EXPECT_EQ(a.end(), b.end());
    for (std::size_t i = 0; i < a.clips().size(); ++i) {
        const project::LaidClip& x = a.clips()[i];
        const project::LaidClip& y = b.clips()[i];
        ASSERT_EQ(x.id(), y.id());
        EXPECT_EQ(x.clip, y.clip) << "the clip of the project that it was laid from, not of an older one";
        EXPECT_EQ(x.track, y.track);
        EXPECT_EQ(x.recording, y.recording);
        ASSERT_EQ(x.source == nullptr, y.source == nullptr);
        if (x.source) {
            EXPECT_EQ(x.source->beats, y.source->beats) << "counted alike";
            EXPECT_EQ(x.source->loopBeats, y.source->loopBeats);
        }
        EXPECT_EQ(x.rule, y.rule);
        EXPECT_EQ(x.ruleFrom, y.ruleFrom);
        EXPECT_EQ(x.chain, y.chain);
        EXPECT_EQ(x.time().start, y.time().start);
        EXPECT_EQ(x.time().end, y.time().end);
        EXPECT_EQ(x.time().startFrame, y.time().startFrame);
        EXPECT_EQ(x.time().length, y.time().length);
        EXPECT_EQ(x.time().steadyTempo, y.time().steadyTempo);
        EXPECT_EQ(x.time().problem, y.time().problem);
        ASSERT_EQ(x.time().job() == nullptr, y.time().job() == nullptr);
        ASSERT_EQ(x.time().parts.size(), y.time().parts.size());
        metre::Frames reached(0);
        for (std::size_t k = 0; k < x.time().parts.size(); ++k) {
            const project::Part& part = x.time().parts[k];
            EXPECT_EQ(part.job->key, y.time().parts[k].job->key);
            EXPECT_EQ(part.job->map, y.time().parts[k].job->map);
            EXPECT_EQ(part.at, reached) << "one after the other, without gaps";
            EXPECT_GT(part.length, metre::Frames(0));
            EXPECT_GE(part.from, metre::Frames(-1)) << "within its rendering, but for rounding";
            EXPECT_LE(part.from + part.length, part.job->map.outputLength() + metre::Frames(2));
            reached += part.length;
        }
        if (!x.time().parts.empty()) {
            EXPECT_EQ(reached, x.time().length);
        }
    }
}

} // namespace support
