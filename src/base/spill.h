// What grows while hours are worked through, and need not fill the memory.
#pragma once

#include <cstddef>
#include <memory>
#include <vector>

namespace base {

// Bytes in a row. Few lie in memory; of many all but the end lie in a file that nobody else sees and that goes with
// them. Where the disk has no room they stay in memory. One thread adds; then any may read. Copies share the file:
// only one of them may be added to.
class Spill {
  public:
    explicit Spill(std::size_t mostInMemory) : most_(mostInMemory) {}

    std::size_t size() const { return away_ + here_.size(); }
    void add(const void* bytes, std::size_t count);
    // Bytes from one on; zeros where our own file does not give them back. REQUIRES that there are so many.
    void read(std::size_t from, void* to, std::size_t count) const;

  private:
    struct File;
    std::size_t most_;
    std::size_t away_ = 0; // how many lie in the file
    std::vector<std::byte> here_;
    std::shared_ptr<File> file_;
    bool stays_ = false;
};

} // namespace base
