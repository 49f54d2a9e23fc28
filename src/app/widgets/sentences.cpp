#include "app/widgets/text.h"

#include <QCache>
#include <QCoreApplication>
#include <QMutex>
#include <QStringList>
#include <algorithm>
#include <optional>
#include <vector>

namespace app {

extern const char* const coreSentences[]; // ends with null

namespace {

constexpr const char* context = "core";
constexpr int deepest = 12;    // sentences within sentences, and what is joined
constexpr int mostKept = 2000; // texts

// "%1 could not be read: %2." as what is said between its places.
struct Sentence {
    const char* english = nullptr;
    QStringList parts;       // one more than there are places
    std::vector<int> places; // their numbers, in order
    qsizetype said = 0;      // letters of its own
};

std::vector<Sentence> sentencesOf(const char* const* list) {
    std::vector<Sentence> all;
    for (; *list != nullptr; ++list) {
        Sentence s;
        s.english = *list;
        const QString text = QString::fromUtf8(*list);
        QString part;
        for (qsizetype i = 0; i < text.size(); ++i) {
            if (text[i] == u'%' && i + 1 < text.size() && text[i + 1].isDigit()) {
                s.places.push_back(text[++i].digitValue());
                s.said += part.size();
                s.parts << part;
                part.clear();
            } else {
                part += text[i];
            }
        }
        s.said += part.size();
        s.parts << part;
        all.push_back(std::move(s));
    }
    // Of several that a text may come from, the one that says most of it by itself.
    std::stable_sort(all.begin(), all.end(), [](const Sentence& a, const Sentence& b) { return a.said > b.said; });
    return all;
}

const std::vector<Sentence>& sentences() {
    static const std::vector<Sentence> all = sentencesOf(coreSentences);
    return all;
}

// What stands in its places, if the text was made from it.
std::optional<QStringList> filledIn(const Sentence& s, QStringView text) {
    if (s.places.empty()) return text == s.parts.front() ? std::optional(QStringList()) : std::nullopt;
    if (text.size() < s.said || !text.startsWith(s.parts.front()) || !text.endsWith(s.parts.back())) return {};
    text = text.mid(s.parts.front().size());
    text.chop(s.parts.back().size());
    QStringList found;
    for (qsizetype i = 1; i + 1 < s.parts.size(); ++i) {
        const qsizetype at = text.indexOf(s.parts[i]);
        if (at < 0) return {};
        found << text.left(at).toString();
        text = text.mid(at + s.parts[i].size());
    }
    found << text.toString();
    return found;
}

QString filled(const QString& text, const Sentence& s, const QStringList& with) {
    QString out;
    for (qsizetype i = 0; i < text.size(); ++i) {
        const auto number = text[i] == u'%' && i + 1 < text.size() ? text[i + 1].digitValue() : -1;
        const auto place = std::find(s.places.begin(), s.places.end(), number);
        if (place == s.places.end()) {
            out += text[i];
        } else {
            out += with[place - s.places.begin()];
            ++i;
        }
    }
    return out;
}

std::optional<QString> lookedUp(const QString& text, int depth);

// Whether several things were joined here, so that a sentence that begins with a place is only the last of them.
bool isJoined(const QString& text) {
    return text.contains(QStringLiteral("; ")) || text.contains(QStringLiteral(" · ")) ||
           text.count(u'(') != text.count(u')');
}

// What begins a sentence is a name, as a rule, whatever it is: only "A gain" and its like, and single words ("tag
// says 112"), are translated there.
QString lookedUpWithin(const QString& text, bool isFirst, int depth) {
    if (isFirst && (text.isEmpty() || (!text.front().isUpper() && text.contains(u' ')))) return text;
    return lookedUp(text, depth + 1).value_or(text);
}

// Each part of what was joined; none where nothing of it is known.
std::optional<QString> lookedUpParts(const QString& text, int depth) {
    const auto both = [&](qsizetype at, qsizetype length, bool isName) -> std::optional<QString> {
        const QString left = text.left(at);
        const QString right = text.mid(at + length);
        const QString out =
            lookedUpWithin(left, isName, depth) + text.mid(at, length) + lookedUpWithin(right, false, depth);
        return out != text ? std::optional(out) : std::nullopt;
    };
    // A remark at the end.
    if (const qsizetype at = text.indexOf(QStringLiteral(" (")); at > 0 && text.endsWith(u')')) {
        const QString remark = text.mid(at + 2).chopped(1);
        return lookedUpWithin(text.left(at), false, depth) + " (" + lookedUpWithin(remark, false, depth) + ")";
    }
    // A name stands before a colon.
    if (const qsizetype at = text.indexOf(QStringLiteral(": ")); at > 0)
        if (auto out = both(at, 2, true)) return out;
    for (const char* const joint : {"\n", "; ", " · ", ", "})
        if (const qsizetype at = text.indexOf(QString::fromUtf8(joint)); at > 0)
            if (auto out = both(at, QString::fromUtf8(joint).size(), false)) return out;
    // Each sentence ends with its own full stop.
    if (const qsizetype at = text.indexOf(QStringLiteral(". ")); at > 0)
        if (auto out = both(at + 1, 1, false)) return out;
    // A word and a figure.
    const qsizetype space = text.indexOf(u' ');
    if (space > 0 && space + 1 < text.size() && text[space + 1].isDigit()) return both(space, 1, false);
    return {};
}

std::optional<QString> lookedUp(const QString& text, int depth) {
    if (depth > deepest || text.isEmpty()) return {};
    for (const Sentence& s : sentences()) {
        const auto found = filledIn(s, text);
        if (!found || (s.parts.front().isEmpty() && isJoined(found->front()))) continue;
        QStringList with;
        for (qsizetype i = 0; i < found->size(); ++i)
            with << lookedUpWithin((*found)[i], i == 0 && s.parts.front().isEmpty(), depth);
        return filled(QCoreApplication::translate(context, s.english), s, with);
    }
    return lookedUpParts(text, depth);
}

} // namespace

QString translated(const std::string& text) {
    const QString english = qt(text);
    const char* const first = coreSentences[0];
    const QString language = QCoreApplication::translate(context, first); // as one knows it by
    if (language == QString::fromUtf8(first)) return english;
    static QMutex mutex;
    static QString known;
    static QCache<QString, QString> kept(mostKept);
    const QMutexLocker lock(&mutex);
    if (known != language) kept.clear();
    known = language;
    if (const QString* before = kept.object(english)) return *before;
    const QString out = lookedUp(english, 0).value_or(english);
    kept.insert(english, new QString(out));
    return out;
}

} // namespace app
