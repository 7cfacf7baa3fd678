using BenchmarkDotNet.Running;
using GentleBead.Bench;

// dotnet run -c Release --project bench/GentleBead.Bench            the sheet, computed
// dotnet run -c Release --project bench/GentleBead.Bench -- screen  the sheet while typing, and a bead from screen to screen
if (args is ["screen"]) await Screens.MeasureAsync();
else BenchmarkRunner.Run<SheetBenchmark>(args: args);
