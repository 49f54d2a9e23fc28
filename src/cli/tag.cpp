#include "base/safe_file.h"
#include "base/utf8.h"
#include "cli/in_order.h"
#include "cli/json_line.h"
#include "cli/shelf.h"
#include "deliver/file_tags.h"
#include "hear/key.h"
#include "metre/tempo.h"
#include "sound/read.h"
#include "sound/tag_file.h"

#include <fmt/format.h>
#include <utility>

namespace cli {

namespace fs = std::filesystem;

namespace {

struct Said {
    deliver::Music music;
    std::optional<int> root;
    sound::Replacing replacing;
};

base::Result<Said> saidBy(const TagCommand& command) {
    Said said;
    if (command.bpm.empty() && command.key.empty() && command.beats == 0 && !command.root)
        return base::problem("Say what to write: --bpm, --key, --beats or --root.");
    if (command.replaceLoops && command.beats == 0)
        return base::problem("--replace-loops does nothing without --beats, which says where the new one ends.");
    if (!command.bpm.empty()) {
        const auto bpm = metre::parseTempo(command.bpm);
        if (!bpm) return base::problem(fmt::format("--bpm: {}", bpm.error().text));
        said.music.bpm = *bpm;
    }
    if (!command.key.empty()) {
        said.music.key = hear::parseKey(command.key);
        if (!said.music.key)
            return base::problem(fmt::format("“{}” is not a key. Type one such as Dm or F#.", command.key));
    }
    if (command.beats != 0) {
        if (command.bpm.empty())
            return base::problem("--beats needs --bpm: a number of beats is written together with the tempo.");
        said.music.beats = command.beats;
    }
    said.root = command.root;
    said.replacing = {command.root.has_value(), command.replaceLoops};
    return said;
}

// Where so many beats end, where the file is that long: a loop's points.
using Points = std::optional<std::pair<metre::Frames, metre::Frames>>;
base::Result<Points> loopOf(const fs::path& file, const deliver::Music& music, const std::stop_token& stop) {
    if (!music.beats) return Points();
    auto reader = sound::Reader::open(file, sound::mostBytes);
    if (!reader) return tl::unexpected(reader.error());
    std::vector<float> buffer(std::size_t(1 << 15) * static_cast<std::size_t>(reader->facts().channels));
    while (true) {
        if (stop.stop_requested()) return base::cancelled();
        const auto got = reader->read(buffer.data(), 1 << 15);
        if (!got) return tl::unexpected(got.error());
        if (*got == 0) break;
    }
    const metre::Frames frames = reader->facts().frames;
    const metre::Frames end =
        metre::toFrames(metre::Seconds(*music.beats * 60.0 / music.bpm->value), reader->facts().rate);
    // A hundredth of a second is a fade or a rounding; more is another length.
    if (end - frames > metre::Frames(reader->facts().rate / 100))
        return base::problem(
            fmt::format("{} was not written into: {} beats at {} last {:.2f} s, and it has {:.2f} s.",
                        base::shownPath(file), *music.beats, metre::tempoLabel(*music.bpm),
                        *music.beats * 60.0 / music.bpm->value, reader->facts().length().value));
    return Points({metre::Frames(0), std::min(end, frames)});
}

base::Result<void> write(const fs::path& file, const Said& said, const std::stop_token& stop) {
    deliver::Music music = said.music;
    const auto loop = loopOf(file, music, stop);
    if (!loop) return tl::unexpected(loop.error());
    music.loop = *loop;
    deliver::FileTags says = deliver::tagsSaying(music);
    if (said.root) says.loop.rootNote = said.root;
    return sound::tagFile(file, says.tags, says.loop, said.replacing, {{}, stop});
}

Outcome tagOne(const fs::path& file, const TagCommand& command, const Said& said, const std::stop_token& stop) {
    const std::string parted = base::otherNamesNote(file);
    const auto done = write(file, said, stop);
    if (!done && done.error().cancelled) return {{}, {}, true};
    if (!done)
        return {command.table ? std::string() : errorLine(file, done.error().text), {done.error().text}, true};
    std::vector<std::string> messages;
    if (!parted.empty()) messages.push_back(parted);
    if (command.table) return {base::shownPath(file), messages, false};
    Json j = Json::object();
    nameInto(j, file);
    j["bpm"] = said.music.bpm ? Json(said.music.bpm->value) : Json(nullptr);
    j["key"] = said.music.key ? Json(hear::keyName(*said.music.key)) : Json(nullptr);
    j["beats"] = said.music.beats ? Json(*said.music.beats) : Json(nullptr);
    return {dumped(j), messages, false};
}

} // namespace

int tag(const TagCommand& command, const std::stop_token& stop, Output& output) {
    const auto said = saidBy(command);
    if (!said) {
        output.say(said.error().text);
        return 2;
    }
    bool failed = false;
    const auto listed = expanded(command.given, output, failed);
    if (!listed) return 2;
    const std::vector<fs::path>& files = *listed;
    const bool allDone = inOrder(files, command.given.jobs, command.given.quiet, stop, output,
                                 [&](const fs::path& file, std::size_t, const std::stop_token& lost) {
                                     return tagOne(file, command, *said, lost);
                                 });
    return failed || !allDone ? 1 : 0;
}

} // namespace cli
