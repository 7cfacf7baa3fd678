"""Teaches the eye which part of a section or a face each place is, and writes the network as ONNX.

    python3 teach_parts.py sections|faces ONNX STEPS LESSONS...

A thousand steps take five minutes on two cores; ONNX.pt beside it is what was learned so far, and is gone on from. Without one, what the
ONNX file itself knows is. LESSONS are what "bench -- eye fields" and "bench -- eye paint" wrote. A small U-Net (Ronneberger, Fischer and
Brox 2015); PyTorch and onnx are Debian's python3-torch and python3-onnx.
"""

import os
import sys
import time

# Two threads that wait for each other at full speed slow down everybody else.
os.environ.setdefault("OMP_WAIT_POLICY", "passive")

import numpy as np
import onnx
import onnx.numpy_helper
import torch
from torch import nn
from torch.nn import functional as f

MAPS = 4
# Parts are counted below this, marks are bits from it on.
FIRST_MARK = 16
BATCH = 4
RATE = 3e-3
# What has learned already is moved less.
RATE_FURTHER = 1.2e-3
# From this part on a face's are seldom: every other lesson is one that has some of them.
SELDOM = 5


class Subject:
    """What is taught: how high and wide its lessons are and what of them is looked at at once, and how much each part counts."""

    def __init__(self, name):
        self.faces = name == "faces"
        self.high, self.wide = (320, 480) if self.faces else (340, 340)
        self.look = (320, 320) if self.faces else (352, 352)
        # What is seldom counts for more: seams, weld metal; grains, pores, undercut, a crater, a restart, a hole.
        self.weights = torch.tensor([1.0, 1.3, 1.3, 1.3, 3, 4, 3, 4, 4, 3] if self.faces else [1.0, 1.0, 2.0, 2.5])
        # Points that are found by themselves: discs of half a millimetre, a bit each over the parts.
        self.marks = 0 if self.faces else 2
        self.bytes = self.high * self.wide * (2 * MAPS + 1)


def conv(inputs, outputs, stride=1):
    return nn.Sequential(
        nn.Conv2d(inputs, outputs, 3, stride=stride, padding=1, bias=False), nn.BatchNorm2d(outputs), nn.ReLU(inplace=True)
    )


def pair(inputs, outputs, stride=1):
    return nn.Sequential(conv(inputs, outputs, stride), conv(outputs, outputs))


class Net(nn.Module):
    """Halves its field at once, and says so much: a fifth of a millimetre is as fine as a fusion line is sharp."""

    def __init__(self, outputs):
        super().__init__()
        wide = [16, 24, 32, 48, 64]
        self.down = nn.ModuleList([pair(MAPS, wide[0], 2)] + [pair(wide[i], wide[i + 1], 2) for i in range(4)])
        self.up = nn.ModuleList([pair(wide[i + 1] + wide[i], wide[i]) for i in range(4)])
        self.last = nn.Conv2d(wide[0], outputs, 1)

    def forward(self, x):
        seen = []
        for step in self.down:
            x = step(x)
            seen.append(x)
        for i in reversed(range(4)):
            x = f.interpolate(x, scale_factor=2, mode="nearest")
            x = self.up[i](torch.cat([x, seen[i]], 1))
        # Of every other place either way.
        return self.last(x)


def known(net, path, batches):
    """What an ONNX file knows, put into a net. There a layer's weights hold its norm too: that is measured anew over some batches."""
    graph = onnx.load(path).graph
    numbers = {one.name: torch.from_numpy(onnx.numpy_helper.to_array(one).copy()) for one in graph.initializer}
    folded = [[numbers[name] for name in node.input[1:]] for node in graph.node if node.op_type == "Conv"]
    order = [layer for step in [*net.down, *reversed(net.up)] for layer in step]
    last_weight, last_bias = folded[-1]
    with torch.no_grad():
        for layer, (weight, bias) in zip(order, folded):
            layer[0].weight.copy_(weight)
            layer[1].bias.copy_(bias)
            layer[1].running_mean.zero_()
            layer[1].running_var.fill_(1 - layer[1].eps)
        # Parts that are new since stand at the end, and are taken as unlikely.
        net.last.weight.zero_()
        net.last.bias.fill_(-4)
        net.last.weight[: len(last_weight)].copy_(last_weight)
        net.last.bias[: len(last_bias)].copy_(last_bias)
        normed(net, order, batches)


def normed(net, order, batches):
    """Gives every norm the mean and spread that its layer has, and takes them out of its weights again: the net says the same."""
    sums = {layer: [0, torch.zeros(layer[1].num_features), torch.zeros(layer[1].num_features)] for layer in order}

    def add(layer, values):
        own = sums[layer]
        own[0] += values.numel() // values.shape[1]
        own[1] += values.sum((0, 2, 3))
        own[2] += (values**2).sum((0, 2, 3))

    hooks = [layer[0].register_forward_hook(lambda _, __, values, layer=layer: add(layer, values)) for layer in order]
    net.eval()
    for _ in range(40):
        net(next(batches)[0])
    for hook in hooks:
        hook.remove()
    for layer in order:
        many, total, squares = sums[layer]
        mean, var = total / many, (squares / many - (total / many) ** 2).clamp(min=1e-6)
        layer[1].weight.copy_((var + layer[1].eps).sqrt())
        layer[1].bias.add_(mean)
        layer[1].running_mean.copy_(mean)
        layer[1].running_var.copy_(var)
    net.train()


class Lessons:
    """Fields of several files, read as they are asked for."""

    def __init__(self, subject, paths):
        self.subject = subject
        self.files = [np.memmap(path, np.uint8, "r").reshape(-1, subject.bytes) for path in paths]
        self.where = [(file, i) for file in self.files for i in range(len(file))]
        split = subject.high * subject.wide * 2 * MAPS
        self.seldom = [k for k, (file, i) in enumerate(self.where) if subject.faces and (file[i, split:] >= SELDOM).any()]

    def __len__(self):
        return len(self.where)

    def one(self, chance):
        """Which to look at next."""
        return chance.choice(self.seldom) if self.seldom and chance.random() < 0.5 else chance.integers(len(self))

    def __getitem__(self, k):
        file, i = self.where[k]
        high, wide = self.subject.high, self.subject.wide
        raw, split = np.array(file[i]), high * wide * 2 * MAPS
        maps = raw[:split].view(np.float16).astype(np.float32).reshape(MAPS, high, wide)
        return maps, raw[split:].reshape(high, wide)


def smooth(chance, reach, shape):
    high, wide = shape
    small = chance.normal(size=(1, 1, 3 + int(high / reach), 3 + int(wide / reach))).astype(np.float32)
    return f.interpolate(torch.from_numpy(small), size=(high, wide), mode="bicubic", align_corners=False)[0, 0].numpy()


def backed(maps, parts, others, chance):
    """Another bench behind a section, or a plain one, with its own shadows."""
    shape = parts.shape
    tone = chance.uniform(-2.2, 1.2)
    ground = tone + chance.uniform(0, 0.5) * smooth(chance, chance.uniform(4, 120), shape)
    ground += chance.uniform(0, 0.12) * smooth(chance, 3, shape)
    other, where = others
    if chance.random() < 0.5 and (where == 0).mean() > 0.3:
        ground = np.where(where == 0, other[0], ground) + chance.uniform(-0.8, 0.8)
    rim = np.clip(parts != 0, 0, 1).astype(np.float32)
    soft = f.avg_pool2d(torch.from_numpy(rim)[None, None], 3, 1, 1)[0, 0].numpy()
    maps[0] = maps[0] * soft + ground * (1 - soft)
    for k in (1, 2):
        maps[k] = maps[k] * soft + (chance.normal() * 0.25) * (1 - soft)


def covered(maps, chance):
    """The card, or whatever else is not looked at, over one long side of a face's strip."""
    high, wide = maps.shape[1:]
    line = high * chance.uniform(0, 0.32) + (np.arange(wide) - wide / 2) * chance.uniform(-0.25, 0.25)
    hidden = np.arange(high)[:, None] < line[None]
    maps[:, hidden[::-1] if chance.random() < 0.5 else hidden] = 0


def varied(subject, maps, parts, others, chance):
    """The same, lit, laid and backed otherwise."""
    maps, parts = maps.copy(), parts.copy()
    light, shape, kinds = maps[0], parts.shape, parts % FIRST_MARK
    if subject.faces:
        if chance.random() < 0.4:
            covered(maps, chance)
    else:
        if chance.random() < 0.35:
            backed(maps, kinds, (others[0], others[1] % FIRST_MARK), chance)
        # Weld metal lighter or darker.
        light += (kinds == 2) * chance.normal() * 0.08
    # The whole unevenly lit, stained and scratched.
    light += chance.uniform(0, 0.15) * smooth(chance, chance.uniform(40, 200), shape)
    if chance.random() < 0.25:
        light += chance.uniform(0, 0.04) * smooth(chance, chance.uniform(2, 6), shape)
    light *= chance.uniform(0.8, 1.25)
    light += chance.normal() * 0.05 + chance.uniform(0, 0.02) * chance.normal(size=shape).astype(np.float32)
    for k in (1, 2):
        maps[k] = maps[k] * chance.uniform(0.7 if subject.faces else 0.3, 1.3) + chance.normal() * (0.08 if subject.faces else 0.15)
    maps[:3] *= maps[3]
    if chance.random() < 0.5:
        maps, parts = maps[:, :, ::-1], parts[:, ::-1]
    if subject.faces and chance.random() < 0.5:
        maps, parts = maps[:, ::-1], parts[::-1]
    return moved(subject, maps, parts, chance)


def moved(subject, maps, parts, chance):
    """Moved and turned a little, with what comes in from the other side unseen; and cut to what is looked at."""
    high, wide = parts.shape
    turn = chance.uniform(-0.05, 0.05) if subject.faces else chance.uniform(-0.25, 0.25)
    grow = chance.uniform(0.88, 1.12)
    move = chance.uniform(-0.12, 0.12, size=2)
    if subject.faces:
        move = np.array([chance.uniform(-0.33, 0.33), chance.uniform(-0.1, 0.1)])
    cos, sin = np.cos(turn) * grow, np.sin(turn) * grow
    out = (high, min(wide, subject.look[1]))
    share = out[1] / wide
    theta = torch.tensor([[cos * share, -sin * high / wide, move[0]], [sin * share * wide / high, cos, move[1]]], dtype=torch.float32)[None]
    grid = f.affine_grid(theta, (1, 1, *out), align_corners=False)
    turned = f.grid_sample(torch.from_numpy(np.ascontiguousarray(maps))[None], grid, align_corners=False)[0]
    whole = torch.from_numpy(np.ascontiguousarray(parts)).float()[None, None]
    told = f.grid_sample(whole, grid, mode="nearest", align_corners=False)[0, 0].long()
    turned[3] = (turned[3] > 0.99).float()
    turned[:3] *= turned[3]
    return turned, told


def batch(subject, lessons, chance):
    ones = []
    for _ in range(BATCH):
        i, k = lessons.one(chance), chance.integers(len(lessons))
        ones.append(varied(subject, *lessons[i], lessons[k], chance))
    x = torch.stack([one[0] for one in ones])
    y = torch.stack([one[1] for one in ones])
    past = (0, subject.look[1] - x.shape[3], 0, subject.look[0] - x.shape[2])
    x = f.pad(x, past, mode="replicate").contiguous(memory_format=torch.channels_last)
    return x, wanted(subject, f.pad(y, past), x[:, 3:])


def wanted(subject, y, seen):
    """What of every other place either way is each part, and each mark: as shares, by what of it is seen."""
    parts = y % FIRST_MARK
    kinds = [parts == part for part in range(len(subject.weights))] + [(y // FIRST_MARK >> mark) & 1 for mark in range(subject.marks)]
    return f.avg_pool2d(torch.stack(kinds, 1).float() * seen, 2)


class Batches(torch.utils.data.IterableDataset):
    """Batches without end, made beside the learning."""

    def __init__(self, subject, lessons, seed):
        super().__init__()
        self.subject, self.lessons, self.seed = subject, lessons, seed

    def __iter__(self):
        torch.set_num_threads(1)
        chance = np.random.default_rng(self.seed)
        while True:
            yield batch(self.subject, self.lessons, chance)


def losses(subject, told, shares):
    """How far off it is: of parts, and of marks where there are any."""
    parts = len(subject.weights)
    weighed = shares[:, :parts] * subject.weights[None, :, None, None]
    loss = -(weighed * f.log_softmax(told[:, :parts], 1)).sum() / weighed.sum()
    if subject.marks:
        seen = shares[:, :parts].sum(1, keepdim=True).expand_as(shares[:, parts:])
        # Discs are few places among many.
        loss = loss + 2 * f.binary_cross_entropy_with_logits(told[:, parts:], shares[:, parts:], seen, pos_weight=torch.tensor(8.0))
    return loss


def quicker_by_half(net, subject):
    """Half the digits are enough to learn by: twice as quick on processors that reckon in them, half as quick on others."""
    x = torch.zeros(1, MAPS, *subject.look)
    took = []
    for half in (True, False):
        for began in (None, time.time()):
            with torch.autocast("cpu", torch.bfloat16, enabled=half):
                told = net(x)
            told.float().sum().backward()
        took.append(time.time() - began)
    return took[0] < took[1]


def main():
    subject, target, steps, sources = Subject(sys.argv[1]), sys.argv[2], int(sys.argv[3]), sys.argv[4:]
    torch.manual_seed(3)
    torch.set_num_threads(2)
    lessons = Lessons(subject, sources)
    net = Net(len(subject.weights) + subject.marks).to(memory_format=torch.channels_last)
    learn = torch.optim.AdamW(net.parameters(), RATE, weight_decay=1e-4)
    done, mean, began, rate = 0, None, time.time(), RATE
    if os.path.exists(target + ".pt"):
        kept = torch.load(target + ".pt")
        net.load_state_dict(kept["net"])
        learn.load_state_dict(kept["learn"])
        done, rate = kept["done"], kept["rate"]
    batches = iter(torch.utils.data.DataLoader(Batches(subject, lessons, 5 + done), batch_size=None, num_workers=1, prefetch_factor=8))
    if done == 0 and os.path.exists(target):
        rate = RATE_FURTHER
        known(net, target, batches)
    half = quicker_by_half(net, subject)
    print(len(lessons), "lessons,", sum(one.numel() for one in net.parameters()), "weights, from step", done)
    for step in range(done, steps):
        for group in learn.param_groups:
            group["lr"] = rate * min(1, (step + 1) / 50) * (0.02 + 0.98 * 0.5 * (1 + np.cos(np.pi * step / steps)))
        x, y = next(batches)
        with torch.autocast("cpu", torch.bfloat16, enabled=half):
            told = net(x)
        loss = losses(subject, told.float(), y)
        learn.zero_grad()
        loss.backward()
        learn.step()
        mean = loss.item() if mean is None else 0.98 * mean + 0.02 * loss.item()
        if (step + 1) % 100 == 0:
            torch.save({"net": net.state_dict(), "learn": learn.state_dict(), "done": step + 1, "rate": rate}, target + ".pt")
            print(f"{step + 1} steps, {time.time() - began:.0f} s, loss {mean:.4f}", flush=True)
    net.eval()
    torch.onnx.export(net, torch.zeros(1, MAPS, *subject.look), target, input_names=["field"], output_names=["parts"], opset_version=11)
    print("written", target)


if __name__ == "__main__":
    main()
