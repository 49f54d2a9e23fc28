#include "app/widgets/spoken.h"

#include <QAccessibleWidget>
#include <QEvent>
#include <QHash>
#include <QPointer>
#include <QWidget>
#include <QWindow>
#include <algorithm>

namespace app {

namespace {

class CanvasVoice;

// A thing on a canvas. It lives on when the thing has gone, and is not valid then.
class ItemVoice : public QAccessibleInterface, public QAccessibleActionInterface, public QAccessibleValueInterface {
  public:
    ItemVoice(CanvasVoice& canvas, QString key) : canvas_(canvas), key_(std::move(key)) {}

    bool isValid() const override { return item() != nullptr; }
    QObject* object() const override { return nullptr; }
    QWindow* window() const override;
    QAccessibleInterface* parent() const override;
    QAccessibleInterface* child(int index) const override;
    int childCount() const override { return item() != nullptr ? static_cast<int>(item()->children.size()) : 0; }
    int indexOfChild(const QAccessibleInterface* child) const override;
    QAccessibleInterface* childAt(int x, int y) const override;
    QString text(QAccessible::Text t) const override;
    void setText(QAccessible::Text, const QString&) override {}
    QRect rect() const override;
    QAccessible::Role role() const override { return item() != nullptr ? item()->role : QAccessible::NoRole; }
    QAccessible::State state() const override;
    void* interface_cast(QAccessible::InterfaceType type) override;

    QStringList actionNames() const override;
    QString localizedActionName(const QString& name) const override { return name; }
    void doAction(const QString& name) override;
    QStringList keyBindingsForAction(const QString&) const override { return {}; }

    QVariant currentValue() const override { return number() != nullptr ? number()->now : QVariant(); }
    void setCurrentValue(const QVariant& value) override;
    QVariant minimumValue() const override { return number() != nullptr ? number()->least : QVariant(); }
    QVariant maximumValue() const override { return number() != nullptr ? number()->most : QVariant(); }
    QVariant minimumStepSize() const override { return number() != nullptr ? number()->step : QVariant(); }

    const QString& key() const { return key_; }

  private:
    const SpokenItem* item() const;
    const SpokenNumber* number() const {
        const SpokenItem* i = item();
        return i != nullptr && i->number ? &*i->number : nullptr;
    }

    CanvasVoice& canvas_;
    QString key_;
};

// Sees that a canvas is painted.
class PaintWatch : public QObject {
  public:
    explicit PaintWatch(std::function<void()> painted) : painted_(std::move(painted)) {}
    bool eventFilter(QObject*, QEvent* event) override {
        if (event->type() == QEvent::Paint) painted_();
        return false;
    }

  private:
    std::function<void()> painted_;
};

class CanvasVoice : public QAccessibleWidget {
  public:
    CanvasVoice(QWidget* widget, Spoken& spoken) : QAccessibleWidget(widget, QAccessible::Canvas), spoken_(spoken) {
        voices().insert(widget, this);
        // Scrolled, zoomed, played on: what was painted anew is asked for anew.
        spoken_.spokenSurface().installEventFilter(&watch_);
    }
    ~CanvasVoice() override {
        voices().remove(voices().key(this));
        for (const QAccessible::Id id : std::as_const(ids_))
            QAccessible::deleteAccessibleInterface(id);
    }

    static QHash<QWidget*, CanvasVoice*>& voices() {
        static QHash<QWidget*, CanvasVoice*> all;
        return all;
    }

    QAccessible::Role role() const override { return spoken_.spokenRole(); }
    QString text(QAccessible::Text t) const override {
        if (t == QAccessible::Value)
            if (const QString value = spoken_.spokenValue(); !value.isEmpty()) return value;
        return QAccessibleWidget::text(t);
    }
    QStringList actionNames() const override {
        QStringList names;
        for (const SpokenAction& action : spoken_.spokenActions())
            names << action.name;
        return names + QAccessibleWidget::actionNames();
    }
    QString localizedActionName(const QString& name) const override {
        for (const SpokenAction& action : spoken_.spokenActions())
            if (action.name == name) return name;
        return QAccessibleWidget::localizedActionName(name);
    }
    void doAction(const QString& name) override {
        for (const SpokenAction& action : spoken_.spokenActions())
            if (action.name == name) return action.run();
        QAccessibleWidget::doAction(name);
    }

    int childCount() const override { return static_cast<int>(tree().size()) + QAccessibleWidget::childCount(); }
    QAccessibleInterface* child(int index) const override {
        const auto items = static_cast<int>(tree().size());
        if (index < 0) return nullptr;
        return index < items ? voiceOf(tree_[static_cast<std::size_t>(index)].key)
                             : QAccessibleWidget::child(index - items);
    }
    int indexOfChild(const QAccessibleInterface* child) const override {
        const auto* item = dynamic_cast<const ItemVoice*>(child);
        if (item == nullptr) {
            const int index = QAccessibleWidget::indexOfChild(child);
            return index < 0 ? index : index + static_cast<int>(tree().size());
        }
        const Known* known = find(item->key());
        return known != nullptr && known->parent.isEmpty() ? known->index : -1;
    }
    QAccessibleInterface* childAt(int x, int y) const override {
        for (auto item = tree().rbegin(); item != tree().rend(); ++item)
            if (onScreen(item->where).contains(x, y)) return voiceOf(item->key);
        return QAccessibleWidget::childAt(x, y);
    }
    QAccessibleInterface* focusChild() const override {
        if (!widget()->hasFocus()) return QAccessibleWidget::focusChild();
        const QString at = spoken_.spokenCursor();
        return at.isEmpty() || find(at) == nullptr ? nullptr : voiceOf(at);
    }

    struct Known {
        const SpokenItem* item = nullptr;
        QString parent; // empty: the canvas
        int index = 0;
    };
    const Known* find(const QString& key) const {
        tree();
        const auto at = known_.constFind(key);
        return at == known_.cend() ? nullptr : &*at;
    }
    ItemVoice* voiceOf(const QString& key) const {
        if (const auto id = ids_.constFind(key); id != ids_.cend())
            return static_cast<ItemVoice*>(QAccessible::accessibleInterface(*id));
        auto* voice =
            new ItemVoice(const_cast<CanvasVoice&>(*this), key); // NOLINT: the tree is made when asked for
        ids_.insert(key, QAccessible::registerAccessibleInterface(voice)); // which owns it
        if (const Known* known = find(key)) told_.insert(key, toldOf(*known->item));
        return voice;
    }
    QRect onScreen(const QRect& where) const {
        return {spoken_.spokenSurface().mapToGlobal(where.topLeft()), where.size()};
    }
    QRect surface() const { return spoken_.spokenSurface().rect(); }
    QString cursor() const { return spoken_.spokenCursor(); }
    QWidget& canvas() const { return *widget(); }

    // What it shows may be another; asked for anew when somebody asks.
    void changed() {
        isStale_ = true;
        if (std::exchange(willTell_, true)) return;
        QMetaObject::invokeMethod(
            widget(),
            [canvas = QPointer<QWidget>(widget())] {
                if (CanvasVoice* voice = canvas ? voices().value(canvas) : nullptr) voice->tell();
            },
            Qt::QueuedConnection);
    }

  private:
    // What was told last.
    struct Told {
        QString name;
        QString value;
        bool isSelected = false;
        bool isOn = false;
    };

    static Told toldOf(const SpokenItem& item) {
        return {item.name, item.value, item.isSelected, item.isOn.value_or(false)};
    }
    const std::vector<SpokenItem>& tree() const {
        if (std::exchange(isStale_, false)) {
            tree_ = spoken_.spoken();
            known_.clear();
            take(tree_, {});
        }
        return tree_;
    }
    void take(const std::vector<SpokenItem>& items, const QString& parent) const {
        int index = 0;
        for (const SpokenItem& item : items) {
            known_.insert(item.key, {&item, parent, index++});
            take(item.children, item.key);
        }
    }

    void tell() {
        willTell_ = false;
        isStale_ = true;
        tree();
        QHash<QString, Told> now;
        bool isReordered = false;
        for (auto at = known_.cbegin(); at != known_.cend(); ++at) {
            const SpokenItem& item = *at->item;
            const Told told = toldOf(item);
            const auto before = told_.constFind(at.key());
            if (before == told_.cend())
                isReordered = true;
            else
                tellOne(at.key(), item, *before, told);
            now.insert(at.key(), told);
        }
        for (const QString& gone : ids_.keys())
            if (!known_.contains(gone)) {
                isReordered = true;
                QAccessible::deleteAccessibleInterface(ids_.take(gone));
            }
        isReordered = isReordered || now.size() != told_.size();
        told_ = std::move(now);
        if (isReordered) {
            QAccessibleEvent event(this, QAccessible::ObjectReorder);
            tellReaders(event);
        }
        const QString at = spoken_.spokenCursor();
        if (at == lastCursor_) return;
        lastCursor_ = at;
        if (at.isEmpty() || !widget()->hasFocus() || !known_.contains(at)) return;
        QAccessibleEvent event(voiceOf(at), QAccessible::Focus);
        tellReaders(event);
    }
    void tellOne(const QString& key, const SpokenItem& item, const Told& before, const Told& now) {
        if (!ids_.contains(key)) return; // nobody knows it
        ItemVoice* voice = voiceOf(key);
        const auto send = [&](QAccessible::Event type) {
            QAccessibleEvent event(voice, type);
            tellReaders(event);
        };
        if (before.name != now.name) send(QAccessible::NameChanged);
        if (before.value != now.value) {
            QAccessibleValueChangeEvent event(voice,
                                              item.number ? QVariant(item.number->now) : QVariant(now.value));
            tellReaders(event);
        }
        if (before.isSelected != now.isSelected)
            send(now.isSelected ? QAccessible::SelectionAdd : QAccessible::SelectionRemove);
        if (before.isOn != now.isOn) {
            QAccessible::State what;
            what.checked = true;
            QAccessibleStateChangeEvent event(voice, what);
            tellReaders(event);
        }
    }

    Spoken& spoken_;
    PaintWatch watch_{[this] { isStale_ = true; }};
    mutable bool isStale_ = true;
    mutable std::vector<SpokenItem> tree_;
    mutable QHash<QString, Known> known_;
    mutable QHash<QString, QAccessible::Id> ids_;
    mutable QHash<QString, Told> told_;
    QString lastCursor_;
    bool willTell_ = false;
};

const SpokenItem* ItemVoice::item() const {
    const CanvasVoice::Known* known = canvas_.find(key_);
    return known == nullptr ? nullptr : known->item;
}

QWindow* ItemVoice::window() const {
    return canvas_.window();
}

QAccessibleInterface* ItemVoice::parent() const {
    const CanvasVoice::Known* known = canvas_.find(key_);
    if (known == nullptr || known->parent.isEmpty()) return &canvas_;
    return canvas_.voiceOf(known->parent);
}

QAccessibleInterface* ItemVoice::child(int index) const {
    if (index < 0 || index >= childCount()) return nullptr;
    return canvas_.voiceOf(item()->children[static_cast<std::size_t>(index)].key);
}

int ItemVoice::indexOfChild(const QAccessibleInterface* child) const {
    const auto* voice = dynamic_cast<const ItemVoice*>(child);
    const CanvasVoice::Known* known = voice == nullptr ? nullptr : canvas_.find(voice->key());
    return known != nullptr && known->parent == key_ ? known->index : -1;
}

QAccessibleInterface* ItemVoice::childAt(int x, int y) const {
    if (item() == nullptr) return nullptr;
    const auto& children = item()->children;
    for (auto child = children.rbegin(); child != children.rend(); ++child)
        if (canvas_.onScreen(child->where).contains(x, y)) return canvas_.voiceOf(child->key);
    return nullptr;
}

QString ItemVoice::text(QAccessible::Text t) const {
    const SpokenItem* i = item();
    if (i == nullptr) return {};
    switch (t) {
    case QAccessible::Name:
        return i->name;
    case QAccessible::Value:
        return i->value;
    case QAccessible::Description:
        return i->more;
    default:
        return {};
    }
}

QRect ItemVoice::rect() const {
    return item() != nullptr ? canvas_.onScreen(item()->where) : QRect();
}

QAccessible::State ItemVoice::state() const {
    QAccessible::State s;
    const SpokenItem* i = item();
    if (i == nullptr) {
        s.invalid = true;
        return s;
    }
    s.focusable = bool(i->reach);
    s.selectable = bool(i->reach);
    s.selected = i->isSelected;
    s.focused = canvas_.cursor() == key_ && canvas_.canvas().hasFocus();
    s.checkable = i->isOn.has_value();
    s.checked = i->isOn.value_or(false);
    s.readOnly = i->number && !i->number->set;
    s.offscreen = !canvas_.surface().intersects(i->where);
    s.invisible = !canvas_.canvas().isVisible();
    return s;
}

void* ItemVoice::interface_cast(QAccessible::InterfaceType type) {
    if (type == QAccessible::ActionInterface) return static_cast<QAccessibleActionInterface*>(this);
    if (type == QAccessible::ValueInterface && number() != nullptr)
        return static_cast<QAccessibleValueInterface*>(this);
    return nullptr;
}

QStringList ItemVoice::actionNames() const {
    QStringList names;
    const SpokenItem* i = item();
    if (i == nullptr) return names;
    for (const SpokenAction& action : i->actions)
        names << action.name;
    if (i->reach) names << setFocusAction();
    return names;
}

void ItemVoice::doAction(const QString& name) {
    const SpokenItem* i = item();
    if (i == nullptr) return;
    std::function<void()> run;
    for (const SpokenAction& action : i->actions)
        if (action.name == name) run = action.run;
    if (!run && name == setFocusAction() && i->reach)
        run = [canvas = &canvas_.canvas(), reach = i->reach] {
            canvas->setFocus(Qt::OtherFocusReason);
            reach();
        };
    if (run) run(); // a copy: what it does may change the tree
}

void ItemVoice::setCurrentValue(const QVariant& value) {
    const SpokenNumber* n = number();
    if (n == nullptr || !n->set || !value.canConvert<double>()) return;
    const auto set = n->set; // as above
    set(std::clamp(value.toDouble(), n->least, n->most));
}

QAccessibleInterface* voiceFor(const QString&, QObject* object) {
    auto* widget = qobject_cast<QWidget*>(object);
    auto* spoken = widget == nullptr ? nullptr : dynamic_cast<Spoken*>(widget);
    return spoken == nullptr ? nullptr : new CanvasVoice(widget, *spoken);
}

} // namespace

void speakCanvases() {
    static const bool once = [] {
        QAccessible::installFactory(voiceFor);
        return true;
    }();
    (void)once;
}

namespace {
std::function<void(QAccessibleEvent&)>& otherReader() {
    static std::function<void(QAccessibleEvent&)> reader;
    return reader;
}
} // namespace

void tellReaders(QAccessibleEvent& event) {
    if (otherReader())
        otherReader()(event);
    else
        QAccessible::updateAccessibility(&event);
}

void setReader(std::function<void(QAccessibleEvent&)> reader) {
    otherReader() = std::move(reader);
}

void spokenChanged(QWidget& canvas) {
    if (CanvasVoice* voice = CanvasVoice::voices().value(&canvas)) voice->changed();
}

} // namespace app
