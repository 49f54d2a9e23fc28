#include "cli/deliver.h"

#include "base/number.h"
#include "base/safe_file.h"
#include "base/utf8.h"
#include "cli/json_line.h"
#include "cli/sound_options.h"
#include "deliver/deliver.h"
#include "project/save.h"
#include "sound/mapped.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>
#include <mutex>
#include <new>

namespace cli {

namespace {

using base::Result;

Result<std::vector<deliver::What>> whatIn(const std::string& list) {
    std::vector<deliver::What> all;
    for (std::size_t at = 0; at <= list.size();) {
        const std::size_t end = std::min(list.find(',', at), list.size());
        const std::string word = list.substr(at, end - at);
        const auto what = deliver::whatFromWord(word);
        if (!what)
            return base::problem(fmt::format(
                "“{}” is nothing to deliver. There are loops, stems, mix, click, map and proof.", word));
        if (std::find(all.begin(), all.end(), *what) == all.end()) all.push_back(*what);
        at = end + 1;
    }
    return all;
}

Result<deliver::Order> orderOf(const DeliverCommand& c) {
    deliver::Order order;
    const auto what = whatIn(c.what);
    if (!what) return tl::unexpected(what.error());
    order.what = *what;
    const auto wants = [&](deliver::What w) { return std::find(what->begin(), what->end(), w) != what->end(); };
    const bool ranged = wants(deliver::What::Stems) || wants(deliver::What::Mix) || wants(deliver::What::Click) ||
                        wants(deliver::What::Map);
    const bool sounds = ranged || wants(deliver::What::Loops);
    order.folder = c.folder;
    if (c.names) {
        if (!wants(deliver::What::Loops)) return base::problem("--names does nothing without loops.");
        if (auto means = deliver::patternMeans(*c.names); !means) return tl::unexpected(means.error());
        order.pattern = *c.names;
    }
    const auto kind = formatIn(c.format);
    if (!kind) return tl::unexpected(kind.error());
    order.kind = *kind;
    if (c.depth) {
        const auto depth = depthIn(*c.depth);
        if (!depth) return tl::unexpected(depth.error());
        order.depth = *depth;
        if (!sounds || !sound::takesDepth(std::string("x") + sound::kindEnding(*kind), order.depth))
            return base::problem(fmt::format("--depth {} does nothing here.", *c.depth));
    }
    const auto quality = qualityIn(c.quality);
    if (!quality) return tl::unexpected(quality.error());
    if (*quality && (!sounds || !sound::isLossy(*kind)))
        return base::problem("--quality does nothing here: it is for ogg, opus and mp3.");
    order.quality = quality->value_or(order.quality);
    const auto rate = wholeNumberIn(c.rate, "--rate", deliver::lowestRate, deliver::highestRate);
    if (!rate) return tl::unexpected(rate.error());
    order.rate = *rate;
    const auto from = wholeNumberIn(c.from, "--from", 1, 100000);
    if (!from) return tl::unexpected(from.error());
    const auto to = wholeNumberIn(c.to, "--to", 1, 100000);
    if (!to) return tl::unexpected(to.error());
    if (c.tail) {
        const auto tail = base::typedNumber(*c.tail);
        if (!tail || *tail < 0 || *tail > deliver::longestTail.value)
            return base::problem(fmt::format("--tail lies between 0 and {:.0f} s.", deliver::longestTail.value));
        order.tail = metre::Seconds(*tail);
    }
    if ((*from || *to || c.tail) && !ranged)
        return base::problem("--from, --to and --tail are for stems, mix, click and map.");
    order.fromBar = *from;
    order.toBar = *to;
    constexpr std::array<std::pair<const char*, deliver::Level>, 4> levels{
        {{"as-it-is", deliver::Level::AsItIs},
         {"no-higher", deliver::Level::NoHigher},
         {"peak", deliver::Level::Peak},
         {"loudness", deliver::Level::Loudness}}};
    const auto level =
        std::find_if(levels.begin(), levels.end(), [&](const auto& l) { return c.level == l.first; });
    if (level == levels.end()) return base::problem("--level is as-it-is, no-higher, peak or loudness.");
    order.level = level->second;
    order.tags = !c.noTags;
    order.existing = c.overwrite ? base::Existing::Replace : base::Existing::Refuse;
    return order;
}

std::string lineOf(const deliver::Planned& file, bool table) {
    if (table) return fmt::format("{:<6}  {}", deliver::whatWord(file.what), base::shownPath(file.file));
    Json j = Json::object();
    nameInto(j, file.file);
    j["what"] = deliver::whatWord(file.what);
    return dumped(j);
}

// The project's name is its folder's.
std::string titleOf(const std::filesystem::path& project) {
    std::error_code error;
    std::filesystem::path folder = std::filesystem::absolute(project, error).lexically_normal();
    if (!std::filesystem::is_directory(folder, error)) folder = folder.parent_path();
    if (folder.filename().empty()) folder = folder.parent_path();
    return base::shownName(folder);
}

// Refused before any work: false where a file is there that may not be replaced. What is wrong is said.
bool mayWriteAll(const std::vector<deliver::Planned>& plan, bool overwrite, Output& output) {
    bool may = true;
    for (const deliver::Planned& file : plan) {
        if (!file.exists) continue;
        if (!overwrite) {
            output.say(fmt::format("{} is there already; --overwrite replaces it.", base::shownPath(file.file)));
            may = false;
        }
    }
    if (!may) return false;
    for (const deliver::Planned& file : plan)
        if (const std::string parted = base::otherNamesNote(file.file); file.exists && !parted.empty())
            output.say(parted);
    return true;
}

void tell(const deliver::Delivered& out, Output& output) {
    for (const std::string& problem : out.problems)
        output.say(problem);
    if (out.clipped > 0)
        output.say(
            fmt::format("{} above full scale and cut; --depth float keeps them, --level no-higher turns them down.",
                        out.clipped == 1 ? "One sample was" : fmt::format("{} samples were", out.clipped)));
}

} // namespace

int deliver(const DeliverCommand& command, const std::stop_token& stop, Output& output) {
    auto order = orderOf(command);
    if (!order) {
        output.say(order.error().text);
        return 2;
    }
    const sound::MappedBound bound(sound::littleMapped);
    try {
        const auto loaded = project::loadProject(command.project, {{}, stop});
        if (!loaded) {
            if (!loaded.error().cancelled) output.say(loaded.error().text);
            return 1;
        }
        for (const std::string& warning : loaded->warnings)
            output.say(warning);
        const bool failed = !loaded->warnings.empty();
        const project::LaidPtr laid = project::lay(loaded->project);
        order->clips = project::allClips(loaded->project);
        order->title = titleOf(command.project);
        const auto plan = deliver::plan(*laid, *order);
        if (!plan) {
            output.say(plan.error().text);
            return 1;
        }
        if (!mayWriteAll(*plan, command.overwrite, output)) return 1;
        std::mutex mutex; // guards the count
        std::size_t done = 0;
        // Each is named once it is there: whatever happens to the others, nothing that was written is left unsaid.
        const auto fileDone = [&](std::size_t i, bool written) {
            const std::lock_guard lock(mutex);
            ++done;
            if (written) output.line(lineOf((*plan)[i], command.table));
            if (!command.quiet) output.progress(fmt::format("{} of {} files done", done, plan->size()));
        };
        const deliver::Delivered out = deliver::deliver(laid, *plan, *order, {{}, stop}, {}, fileDone);
        output.progress({});
        tell(out, output);
        return failed || !out.problems.empty() || out.cancelled || out.written.size() != plan->size() ? 1 : 0;
    } catch (const std::bad_alloc&) {
        output.say(fmt::format("{} could not be delivered: there is not enough memory for it.",
                               base::shownPath(command.project)));
        return 1;
    }
}

} // namespace cli
