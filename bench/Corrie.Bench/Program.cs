System.Console.WriteLine("bench");
