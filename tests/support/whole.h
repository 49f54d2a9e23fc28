// All of what is made block by block.
#pragma once

#include "sound/write.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace support {

// In order. Fails the test where a block cannot be made.
inline sound::Audio wholeOf(const sound::Blocks& blocks) {
    sound::Audio all(blocks.rate, blocks.channels, blocks.length);
    for (metre::Frames at(0); at < blocks.length;) {
        const auto block = blocks.next(at);
        EXPECT_TRUE(block) << block.error().text;
        if (!block) break;
        for (std::size_t c = 0; c < all.channels.size(); ++c)
            std::copy((*block)->channels[c].begin(), (*block)->channels[c].end(),
                      all.channels[c].begin() + at.value);
        at += (*block)->frames();
    }
    return all;
}

} // namespace support
