#include "shelf/query.h"

#include "base/number.h"
#include "base/utf8.h"
#include "shelf/own_words.h"
#include "shelf/query_sql.h"
#include "shelf/rows.h"

#include <algorithm>
#include <cmath>
#include <sstream>

namespace shelf {

namespace {

// Words as FTS5 takes them: each quoted, and taken as the beginning of one.
std::string matchOf(const std::string& words) {
    std::string match;
    std::string word;
    const auto take = [&] {
        if (!word.empty()) match += (match.empty() ? "\"" : " \"") + word + "\"*";
        word.clear();
    };
    for (const char c : base::toUtf8(words)) {
        if (c == ' ' || c == '\t' || c == '"' || c == '\0' || c == '_' || c == ',')
            take();
        else
            word += c;
    }
    take();
    return match;
}

void bindText(Conditions& c, const std::string& value) {
    c.bind([value](SQLite::Statement& s, int at) { s.bind(at, value); });
}
void bindNumber(Conditions& c, double value) {
    c.bind([value](SQLite::Statement& s, int at) { s.bind(at, value); });
}

// "54-60", or "57" for what is within one per cent of it.
std::optional<std::pair<double, double>> rangeIn(const std::string& text) {
    const std::size_t dash = text.find('-', 1);
    if (dash == std::string::npos) {
        const auto one = base::typedNumber(text);
        if (!one) return std::nullopt;
        return std::pair(*one - 1, *one + 1);
    }
    const auto low = base::typedNumber(text.substr(0, dash));
    const auto high = base::typedNumber(text.substr(dash + 1));
    if (!low || !high) return std::nullopt;
    return std::pair(std::min(*low, *high), std::max(*low, *high));
}

// "swing" with such a range behind it is taken out of the words.
std::optional<std::pair<double, double>> swingIn(std::string& words) {
    std::istringstream in(words);
    std::string rest;
    std::optional<std::pair<double, double>> found;
    std::string last;
    for (std::string word; in >> word; last = word) {
        const bool follows = !found && (last == "swing" || last == "Swing");
        const auto range = follows ? rangeIn(word) : std::nullopt;
        if (range) {
            found = range;
            rest.erase(rest.size() - last.size());
        } else {
            rest += (rest.empty() ? "" : " ") + word;
        }
    }
    if (found) words = rest;
    return found;
}

// Words, own tags and favourites.
void addSaid(Conditions& c, const Query& q) {
    std::string words = q.words;
    if (const auto swing = swingIn(words)) {
        c.add("swing BETWEEN ? AND ?");
        bindNumber(c, swing->first - 0.05);
        bindNumber(c, swing->second + 0.05);
    }
    const std::string match = matchOf(words);
    if (!match.empty()) {
        c.add("id IN (SELECT rowid FROM words WHERE words MATCH ?)");
        bindText(c, match);
    } else if (words.find_first_not_of(" \t") != std::string::npos) {
        c.add("0"); // there is nothing in them that could be looked for
    }
    for (const std::string& tag : q.tags) {
        c.add("content IN (SELECT content FROM own_tags WHERE tag = ?)");
        bindText(c, cleanTag(tag));
    }
    if (q.favourites) c.add("content IN (SELECT content FROM own WHERE favourite = 1)");
}

// Tempo, key and kind.
void addMusic(Conditions& c, const Query& q) {
    if (q.tempo) {
        const auto within = [&](double factor) {
            bindNumber(c, q.tempo->low.value * factor - 0.005);
            bindNumber(c, q.tempo->high.value * factor + 0.005);
        };
        c.add(q.octaves ? "(bpm BETWEEN ? AND ? OR bpm BETWEEN ? AND ? OR bpm BETWEEN ? AND ?)"
                        : "bpm BETWEEN ? AND ?");
        within(1);
        if (q.octaves) {
            within(0.5);
            within(2);
        }
    }
    if (q.key && q.relation != KeyRelation::Any) {
        std::string keys;
        for (int n = 0; n < 24; ++n) {
            const hear::Key other = keyFrom(n);
            if (q.relation == KeyRelation::Same ? other == *q.key : hear::areRelated(*q.key, other))
                keys += (keys.empty() ? "" : ",") + std::to_string(n);
        }
        c.add("key IN (" + keys + ")");
    }
    if (q.mode == Mode::Major) c.add("key < 12");
    if (q.mode == Mode::Minor) c.add("key >= 12");
    if (q.mode == Mode::Neither) c.add("key IS NULL");
    if (!q.kinds.empty()) {
        std::string marks;
        for (const hear::Kind kind : q.kinds) {
            marks += marks.empty() ? "?" : ",?";
            bindText(c, hear::kindWord(kind));
        }
        c.add("kind IN (" + marks + ")");
    }
}

// Length, where it lies, and whether it can be had.
void addFile(Conditions& c, const Query& q) {
    if (q.shortest) {
        c.add("seconds >= ?");
        bindNumber(c, q.shortest->value);
    }
    if (q.longest) {
        c.add("seconds <= ?");
        bindNumber(c, q.longest->value);
    }
    if (!q.within.empty()) {
        c.add("path > ? AND path < ?");
        for (const std::string& bound : {boundsOf(q.within).first, boundsOf(q.within).second})
            c.bind([bound](SQLite::Statement& s, int at) { bindBytes(s, at, bound); });
    }
    if (!q.withGone) c.add("gone = 0");
    if (!q.withDamaged) c.add("problem = ''");
}

} // namespace

Conditions conditionsOf(const Query& q) {
    Conditions c;
    addSaid(c, q);
    addMusic(c, q);
    addFile(c, q);
    return c;
}

const char* sqlOrder(SortedBy order) {
    switch (order) {
    case SortedBy::Tempo:
        return "bpm IS NULL, bpm, name COLLATE NOCASE";
    case SortedBy::Kind:
        return "kind, name COLLATE NOCASE";
    case SortedBy::Length:
        return "seconds, name COLLATE NOCASE";
    case SortedBy::Name:
    case SortedBy::Key:
    case SortedBy::Goes:
        break;
    }
    return "name COLLATE NOCASE";
}

double goesWith(std::optional<metre::Bpm> bpm, std::optional<hear::Key> key, std::optional<metre::Bpm> projectTempo,
                std::optional<hear::Key> projectKey) {
    double cost = 0;
    if (projectTempo) {
        if (!bpm) return 100;
        const double octaves = std::log2(bpm->value / projectTempo->value);
        cost += std::abs(octaves - std::round(octaves));
        cost += 1e-3 * std::abs(std::round(octaves)); // the same tempo before its half or double
    }
    if (projectKey && key && !hear::areRelated(*key, *projectKey)) {
        const int apart = std::abs(hear::signatureOf(*key) - hear::signatureOf(*projectKey));
        cost += 0.1 * (std::min(apart, 12 - apart) - 1);
    }
    return cost;
}

} // namespace shelf
