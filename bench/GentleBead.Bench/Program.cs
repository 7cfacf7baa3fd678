System.Console.WriteLine();
