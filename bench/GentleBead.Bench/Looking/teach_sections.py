"""Teaches the eye which part of a section each place is, and writes the network as ONNX.

    python3 teach_sections.py FIELDS ONNX STEPS

A thousand steps take five minutes on two cores; ONNX.pt beside it is what was learned so far, and is gone on from.
FIELDS is what "bench -- eye fields" wrote. A small U-Net (Ronneberger, Fischer and Brox 2015); PyTorch is Debian's python3-torch.
"""

import os
import sys
import time

# Two threads that wait for each other at full speed slow down everybody else.
os.environ.setdefault("OMP_WAIT_POLICY", "passive")

import numpy as np
import torch
from torch import nn
from torch.nn import functional as f

SIDE, WHOLE, MAPS, PARTS = 340, 352, 4, 4
BATCH = 4
RATE = 3e-3
# Seams are few, and weld metal is what it is about.
WEIGHTS = torch.tensor([1.0, 1.0, 2.0, 2.5])


def conv(inputs, outputs, stride=1):
    return nn.Sequential(
        nn.Conv2d(inputs, outputs, 3, stride=stride, padding=1, bias=False), nn.BatchNorm2d(outputs), nn.ReLU(inplace=True)
    )


def pair(inputs, outputs, stride=1):
    return nn.Sequential(conv(inputs, outputs, stride), conv(outputs, outputs))


class Net(nn.Module):
    """Halves its field at once, and says so much: a fifth of a millimetre is as fine as a fusion line is sharp."""

    def __init__(self):
        super().__init__()
        wide = [16, 24, 32, 48, 64]
        self.down = nn.ModuleList([pair(MAPS, wide[0], 2)] + [pair(wide[i], wide[i + 1], 2) for i in range(4)])
        self.up = nn.ModuleList([pair(wide[i + 1] + wide[i], wide[i]) for i in range(4)])
        self.last = nn.Conv2d(wide[0], PARTS, 1)

    def forward(self, x):
        seen = []
        for step in self.down:
            x = step(x)
            seen.append(x)
        for i in reversed(range(4)):
            x = f.interpolate(x, scale_factor=2, mode="nearest")
            x = self.up[i](torch.cat([x, seen[i]], 1))
        return self.last(x)


def read(path):
    one = SIDE * SIDE * (4 * MAPS + 1)
    raw = np.fromfile(path, np.uint8).reshape(-1, one)
    maps = raw[:, : SIDE * SIDE * 4 * MAPS].copy().view(np.float32).reshape(-1, MAPS, SIDE, SIDE)
    return maps.copy(), raw[:, SIDE * SIDE * 4 * MAPS :].reshape(-1, SIDE, SIDE).copy()


def smooth(chance, reach):
    small = chance.normal(size=(1, 1, 3 + int(SIDE / reach), 3 + int(SIDE / reach))).astype(np.float32)
    return f.interpolate(torch.from_numpy(small), size=(SIDE, SIDE), mode="bicubic", align_corners=False)[0, 0].numpy()


def varied(maps, parts, others, chance):
    """The same section, lit, etched, laid and backed otherwise."""
    maps, parts = maps.copy(), parts.copy()
    light = maps[0]
    # Another bench behind it, or a plain one, with its own shadows.
    bare = parts == 0
    if chance.random() < 0.35:
        tone = chance.uniform(-2.2, 1.2)
        ground = tone + chance.uniform(0, 0.5) * smooth(chance, chance.uniform(4, 120)) + chance.uniform(0, 0.12) * smooth(chance, 3)
        if chance.random() < 0.5:
            other, where = others
            if (where == 0).mean() > 0.3:
                ground = np.where(where == 0, other[0], ground) + chance.uniform(-0.8, 0.8)
        rim = np.clip(parts != 0, 0, 1).astype(np.float32)
        soft = f.avg_pool2d(torch.from_numpy(rim)[None, None], 3, 1, 1)[0, 0].numpy()
        light[:] = light * soft + ground * (1 - soft)
        for k in (1, 2):
            maps[k] = maps[k] * soft + (chance.normal() * 0.25) * (1 - soft)
    # Weld metal lighter or darker, the whole unevenly lit, stained and scratched.
    light += (parts == 2) * chance.normal() * 0.08
    light += chance.uniform(0, 0.15) * smooth(chance, chance.uniform(40, 200))
    if chance.random() < 0.25:
        light += chance.uniform(0, 0.04) * smooth(chance, chance.uniform(2, 6))
    light *= chance.uniform(0.8, 1.25)
    light += chance.normal() * 0.05 + chance.uniform(0, 0.02) * chance.normal(size=light.shape).astype(np.float32)
    for k in (1, 2):
        maps[k] = maps[k] * chance.uniform(0.3, 1.3) + chance.normal() * 0.15
    maps[:3] *= maps[3]
    if chance.random() < 0.5:
        maps, parts = maps[:, :, ::-1], parts[:, ::-1]
    # Moved and turned a little: rolled, with what comes in from the other side unseen.
    turn = chance.uniform(-0.25, 0.25)
    grow = chance.uniform(0.85, 1.15)
    move = chance.uniform(-0.12, 0.12, size=2)
    theta = torch.tensor(
        [[np.cos(turn) * grow, -np.sin(turn) * grow, move[0]], [np.sin(turn) * grow, np.cos(turn) * grow, move[1]]], dtype=torch.float32
    )[None]
    grid = f.affine_grid(theta, (1, 1, SIDE, SIDE), align_corners=False)
    moved = f.grid_sample(torch.from_numpy(np.ascontiguousarray(maps))[None], grid, align_corners=False)[0]
    told = f.grid_sample(
        torch.from_numpy(np.ascontiguousarray(parts)).float()[None, None], grid, mode="nearest", align_corners=False
    )[0, 0].long()
    moved[3] = (moved[3] > 0.99).float()
    moved[:3] *= moved[3]
    return moved, told


def batch(maps, parts, chance):
    ones = []
    for _ in range(BATCH):
        i, k = chance.integers(len(maps)), chance.integers(len(maps))
        ones.append(varied(maps[i], parts[i], (maps[k], parts[k]), chance))
    x = torch.stack([one[0] for one in ones])
    y = torch.stack([one[1] for one in ones])
    x = f.pad(x, (0, WHOLE - SIDE, 0, WHOLE - SIDE), mode="replicate")
    y = torch.where(x[:, 3, :SIDE, :SIDE] > 0, y, torch.full_like(y, -100))
    return x, f.pad(y, (0, WHOLE - SIDE, 0, WHOLE - SIDE), value=-100)


def main():
    source, target, steps = sys.argv[1], sys.argv[2], int(sys.argv[3])
    torch.manual_seed(3)
    torch.set_num_threads(2)
    maps, parts = read(source)
    net = Net()
    learn = torch.optim.AdamW(net.parameters(), RATE, weight_decay=1e-4)
    done, mean, began = 0, None, time.time()
    if os.path.exists(target + ".pt"):
        kept = torch.load(target + ".pt")
        net.load_state_dict(kept["net"])
        learn.load_state_dict(kept["learn"])
        done = kept["done"]
    chance = np.random.default_rng(5 + done)
    print(len(maps), "sections,", sum(one.numel() for one in net.parameters()), "weights, from step", done)
    for step in range(done, steps):
        for group in learn.param_groups:
            group["lr"] = RATE * min(1, (step + 1) / 50) * (0.02 + 0.98 * 0.5 * (1 + np.cos(np.pi * step / steps)))
        x, y = batch(maps, parts, chance)
        told = f.interpolate(net(x), scale_factor=2, mode="bilinear", align_corners=False)
        loss = f.cross_entropy(told, y, WEIGHTS, ignore_index=-100)
        learn.zero_grad()
        loss.backward()
        learn.step()
        mean = loss.item() if mean is None else 0.98 * mean + 0.02 * loss.item()
        if (step + 1) % 100 == 0:
            torch.save({"net": net.state_dict(), "learn": learn.state_dict(), "done": step + 1}, target + ".pt")
            print(f"{step + 1} steps, {time.time() - began:.0f} s, loss {mean:.4f}", flush=True)
    net.eval()
    torch.onnx.export(net, torch.zeros(1, MAPS, WHOLE, WHOLE), target, input_names=["field"], output_names=["parts"], opset_version=11)
    print("written", target)


if __name__ == "__main__":
    main()
