// Bytes that grow beyond the memory they may take.
#include "base/spill.h"

#include "base/disk.h"

#include <cerrno>
#include <cstdint>
#include <gtest/gtest.h>
#include <vector>

namespace {

std::vector<std::uint32_t> counting(std::size_t count) {
    std::vector<std::uint32_t> numbers(count);
    for (std::size_t i = 0; i < count; ++i)
        numbers[i] = static_cast<std::uint32_t>(i * 2654435761U);
    return numbers;
}

base::Spill filled(const std::vector<std::uint32_t>& numbers, std::size_t inMemory) {
    base::Spill spill(inMemory);
    for (std::size_t from = 0; from < numbers.size(); from += 100)
        spill.add(numbers.data() + from, std::min<std::size_t>(100, numbers.size() - from) * 4);
    return spill;
}

void expectAll(const base::Spill& spill, const std::vector<std::uint32_t>& numbers) {
    ASSERT_EQ(spill.size(), numbers.size() * 4);
    std::vector<std::uint32_t> back(numbers.size());
    spill.read(0, back.data(), spill.size());
    EXPECT_EQ(back, numbers);
    // Across the border between file and memory, wherever that is.
    for (std::size_t from = 0; from + 150 <= numbers.size(); from += 150) {
        std::vector<std::uint32_t> some(150);
        spill.read(from * 4, some.data(), some.size() * 4);
        EXPECT_TRUE(std::equal(some.begin(), some.end(), numbers.begin() + static_cast<std::ptrdiff_t>(from)))
            << from;
    }
}

TEST(Spill, GivesBackWhatWasAddedWhereverItLies) {
    const auto numbers = counting(10'050);
    for (const std::size_t inMemory : {std::size_t(1), std::size_t(4'000), std::size_t(1) << 20}) {
        SCOPED_TRACE(inMemory);
        expectAll(filled(numbers, inMemory), numbers);
    }
}

int refuseWriting(base::disk::Step step) {
    return step == base::disk::Step::Write ? ENOSPC : 0;
}

TEST(Spill, StaysInMemoryWhereTheDiskHasNoRoom) {
    const auto numbers = counting(10'050);
    base::disk::setGate(refuseWriting);
    const base::Spill spill = filled(numbers, 4'000);
    base::disk::setGate(nullptr);
    expectAll(spill, numbers);
}

TEST(Spill, ACopyReadsTheSame) {
    const auto numbers = counting(5'000);
    const base::Spill copy = filled(numbers, 4'000);
    expectAll(copy, numbers);
}

} // namespace
