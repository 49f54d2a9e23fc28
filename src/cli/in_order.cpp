#include "cli/in_order.h"

#include "base/utf8.h"

#include <algorithm>
#include <condition_variable>
#include <fmt/format.h>
#include <mutex>
#include <new>
#include <optional>
#include <thread>

namespace cli {

namespace {

using Work = std::function<Outcome(const std::filesystem::path&, std::size_t, const std::stop_token&)>;

Outcome guardedly(const std::filesystem::path& file, std::size_t index, const std::stop_token& stop,
                  const Work& work) {
    try {
        return work(file, index, stop);
    } catch (const std::bad_alloc&) {
        return {{}, {fmt::format("{}: there is not enough memory for it.", base::shownPath(file))}, true};
    } catch (const std::exception& e) {
        return {{}, {fmt::format("{}: {}.", base::shownPath(file), e.what())}, true};
    }
}

} // namespace

bool inOrder(const std::vector<std::filesystem::path>& files, int jobs, bool quiet, const std::stop_token& stop,
             Output& output, const Work& work) {
    // Workers run ahead, each with the next file that nobody has begun.
    std::vector<std::optional<Outcome>> outcomes(files.size());
    std::mutex mutex;
    std::condition_variable ready;
    std::size_t next = 0;
    std::stop_source lost; // nobody takes the results any more
    const std::stop_callback passOn(stop, [&lost] { lost.request_stop(); });
    std::vector<std::jthread> workers;
    const std::size_t wanted = jobs > 0 ? static_cast<std::size_t>(jobs) : std::thread::hardware_concurrency();
    const std::size_t count = std::clamp<std::size_t>(wanted, 1, std::max<std::size_t>(1, files.size()));
    for (std::size_t w = 0; w < count; ++w)
        workers.emplace_back([&] {
            while (true) {
                std::size_t mine = 0;
                {
                    const std::lock_guard lock(mutex);
                    if (next == files.size()) return;
                    mine = next++;
                }
                Outcome outcome;
                if (!lost.stop_requested()) outcome = guardedly(files[mine], mine, lost.get_token(), work);
                const std::lock_guard lock(mutex);
                outcomes[mine] = std::move(outcome);
                ready.notify_all();
            }
        });
    bool failed = false;
    for (std::size_t i = 0; i < outcomes.size() && !lost.stop_requested(); ++i) {
        Outcome outcome;
        if (!quiet && files.size() > 1) output.progress(fmt::format("{} of {} files done", i, files.size()));
        {
            std::unique_lock lock(mutex);
            ready.wait(lock, [&] { return outcomes[i].has_value(); });
            outcome = std::move(*outcomes[i]);
        }
        if (stop.stop_requested()) break;
        for (const std::string& m : outcome.messages)
            output.say(m);
        failed = failed || outcome.failed;
        if (!outcome.line.empty() && !output.line(outcome.line)) lost.request_stop();
    }
    output.progress({});
    return !failed && !lost.stop_requested();
}

} // namespace cli
