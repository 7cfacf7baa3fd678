using BenchmarkDotNet.Running;
using GentleBead.Bench;

// dotnet run -c Release --project bench/GentleBead.Bench            the sheet, computed
// dotnet run -c Release --project bench/GentleBead.Bench -- screen  the sheet while typing, and a bead from screen to screen
// dotnet run -c Release --project bench/GentleBead.Bench -- arc     the arc simulated and listened to, beside MathNet and SciPy
// dotnet run -c Release --project bench/GentleBead.Bench -- train   teaches the ear, and writes SoundModel.cs
if (args is ["screen"]) await Screens.MeasureAsync();
else if (args is ["arc"]) Arcs.Measure();
else if (args is ["train"]) TrainEar.Run("src/GentleBead.Core/Listening/SoundModel.cs");
else BenchmarkRunner.Run<SheetBenchmark>(args: args);
