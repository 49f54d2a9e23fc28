// The n-th step to the disk, or the n-th large piece of memory, that fails.
#pragma once

#include "base/disk.h"

#include <functional>
#include <string>

namespace harsh {

// While one of these lives, the n-th step from its beginning on fails, with the error that such a step gives, and
// no other. One at a time.
class Refusal {
  public:
    explicit Refusal(long n);
    ~Refusal();
    Refusal(const Refusal&) = delete;
    Refusal& operator=(const Refusal&) = delete;
    // Whether it came to that step.
    static bool happened();
    static std::string what(); // "write", "memory"; which step it was
};

// What a piece of work came to.
struct Outcome {
    bool done = false;
    std::string sentence; // why not
};

// Has the work done with the first step failing, then with the second, and so on, until none comes to fail: then it
// must be done. `before` makes everything as it was. `after` looks at what is there. Each failure has a sentence.
// Where the machine has no more open files than before is looked at, too. Returns how many steps were made to fail.
long untilNothingFails(const std::function<void()>& before, const std::function<Outcome()>& work,
                       const std::function<void(const Outcome&)>& after);

// Lets SQLite's steps go through base::disk's gate as well. Once a process, before any database is opened.
void gateSqlite();

} // namespace harsh
