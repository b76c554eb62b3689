"""What can be bought and stepped to: stock sizes, the joints of the chain with their neighbours, changes of parts."""
