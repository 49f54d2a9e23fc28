// Profiles of pitch, moment by moment: of hours too, in little memory.
#pragma once

#include "base/spill.h"

#include <array>
#include <cstddef>
#include <vector>

namespace hear {

constexpr int profileBands = 68; // semitones
using Profile = std::array<float, profileBands>;

// A list that grows. One thread adds; then any reads.
class Profiles {
  public:
    void add(const Profile& profile) { bytes_.add(profile.data(), sizeof(Profile)); }
    std::size_t size() const { return bytes_.size() / sizeof(Profile); }

    // For going through them. One thread; refers to the list, which must outlive it.
    class Walk {
      public:
        // How far around the place where one stands profiles are at hand.
        static constexpr std::size_t reach = 64;

        explicit Walk(const Profiles& list) : list_(list) {}
        // Stands at a place: profiles within reach of it are at hand, until one stands elsewhere. REQUIRES at <
        // size().
        void stand(std::size_t at);
        const Profile& operator[](std::size_t i) const { return read_[i - begin_]; }

      private:
        const Profiles& list_;
        std::vector<Profile> read_;
        std::size_t begin_ = 0;
    };

  private:
    base::Spill bytes_{std::size_t(8) << 20}; // ten minutes
};

} // namespace hear
